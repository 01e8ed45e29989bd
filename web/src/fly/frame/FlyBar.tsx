import { platformWords } from '@jobbet/core/contract';
import { formatLength } from '@jobbet/core/units';
import { useLocation, useNavigate } from 'react-router';
import { useStyle } from '../../shared/settings/settings.ts';
import { ShellKeys } from '../../shared/ui/ShellKeys.tsx';
import { tabAt } from '../../shared/ui/BarTabs.tsx';
import { TopBar } from '../../shared/ui/TopBar.tsx';
import { HOOK } from '../selection.ts';
import { isToSettle, useBench, useBenchStore } from '../store.ts';
import { FlyName } from './FlyName.tsx';
import { FlyTabs, viewsOf } from './FlyTabs.tsx';
import { SavedKey } from './SavedKey.tsx';

/** The bar of one fly, the same in each of its views: its name, its hook, its views, how it is saved. */
export function FlyBar({ onHistory }: { readonly onHistory: () => void }) {
  const id = useBench((state) => state.id);
  const name = useBench((state) => state.file.name);
  const view = tabAt(viewsOf(id), useLocation().pathname);
  return (
    <TopBar
      called={view ? `${name} · ${view.name}` : name}
      title={
        <>
          <FlyName />
          <HookWords />
        </>
      }
      tabs={<FlyTabs id={id} />}
    >
      <SavedKey onHistory={onHistory} />
      <ShellKeys />
    </TopBar>
  );
}

/** The platform and its measures, which open the hook on the bench. What has no room for all of it is not shown in part. */
function HookWords() {
  const bench = useBenchStore();
  const navigate = useNavigate();
  const id = useBench((state) => state.id);
  const { file, platform } = useBench((state) => state.calm);
  const trouble = useBench((state) => state.save === 'failed' || isToSettle(state.save));
  const style = useStyle();
  const measure = (mm: number, nominal: boolean): string => {
    const { figure, unit } = formatLength(mm, style);
    return `${nominal ? '≈ ' : ''}${figure} ${unit}`;
  };
  const words = platformWords(file.platform);
  return (
    <button
      type="button"
      className="flex gap-2.5 items-baseline min-w-0 text-ink2 hover:text-ink max-[700px]:hidden"
      title={`${words}: change the hook`}
      onClick={() => {
        bench.setState({ selected: HOOK });
        void navigate(`/fly/${id}`);
      }}
    >
      <span className="truncate">{words}</span>
      <span className={`italic text-measure shrink-0 max-[960px]:hidden ${trouble ? 'max-[1180px]:hidden' : ''}`}>
        shank {measure(platform.shankMm, platform.nominal.shank)}
      </span>
      {platform.gapMm !== null && (
        <span className="italic text-measure shrink-0 max-[1180px]:hidden">
          gap {measure(platform.gapMm, platform.nominal.gap)}
        </span>
      )}
    </button>
  );
}
