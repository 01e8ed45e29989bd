import type { FlyReport } from '@jobbet/core/model';
import type { Finding } from '@jobbet/core/checks';
import { FishingPlan } from '../../shared/drawing/FishingPlan.tsx';
import { LinesPlan } from '../../shared/drawing/LinesPlan.tsx';
import { comparedOf } from './SchoolCompare.tsx';
import { partOf } from '../../fly/selection.ts';
import { useBench } from '../../fly/store.ts';
import { useGripActions } from '../../fly/useGripActions.ts';
import { bandPlaces, standingOf } from './useStanding.ts';

interface BenchDrawingProps {
  readonly report: FlyReport | null;
  /** How far the fly is turned from as it is tied (0) to as it fishes (1). */
  readonly turned: number;
  readonly flagged: readonly Finding[];
  readonly onPick: (id: string) => void;
}

/** The drawing of the fly on the bench: what is pulled is drawn anew in each frame, whatever the margins do. */
export function BenchDrawing({ report, turned, flagged, onPick }: BenchDrawingProps) {
  const laid = useBench((state) => state.laid);
  const chosen = useBench((state) => state.selected);
  const selected = partOf(chosen);
  const moving = useBench((state) => state.moving);
  const refused = useBench((state) => state.refused);
  const preview = useBench((state) => state.preview);
  const pull = useBench((state) => state.pull);
  const compare = useBench((state) => state.compare);
  const drawers = useBench((state) => state.drawers);
  const drawn = preview?.laid ?? laid;
  const compared = comparedOf(laid, compare, drawers);
  // What a school asks of a part changes slowly while it is pulled.
  const calm = useBench((state) => state.calm);
  const standing = selected === null ? null : standingOf(preview?.laid ?? calm, selected, drawers);
  const actions = useGripActions();
  return (
    <>
      {turned > 0 ? (
        <FishingPlan laid={drawn} report={report} share={turned} selected={selected} onPick={onPick} />
      ) : (
        <LinesPlan
          laid={drawn}
          marks={flagged}
          preview={preview !== null}
          selected={selected}
          hook={chosen.kind === 'hook'}
          moving={moving}
          pull={pull}
          band={
            selected === null || !standing
              ? null
              : { places: bandPlaces(drawn, selected, standing), within: standing.within }
          }
          outlines={compared?.flies.map((each, i) => ({ laid: each, name: compared.names[i] ?? '' })) ?? null}
          refused={refused}
          onPick={onPick}
          {...actions}
        />
      )}
      {compared && !preview && (
        <p
          role="status"
          className="absolute left-1/2 bottom-3 -translate-x-1/2 z-10 bg-sheet border border-rule px-3 py-1 whitespace-nowrap"
        >
          Compared: {compared.names.join(' and ')}. Leave it <kbd className="font-bold">Esc</kbd>
        </p>
      )}
      {preview && (
        <p
          role="status"
          data-testid="preview"
          className="absolute left-1/2 bottom-3 -translate-x-1/2 z-10 bg-pick text-on-pick px-3 py-1 whitespace-nowrap"
        >
          Shown: {preview.words}. Take it <kbd className="font-bold">Enter</kbd>, back{' '}
          <kbd className="font-bold">Esc</kbd>
        </p>
      )}
    </>
  );
}
