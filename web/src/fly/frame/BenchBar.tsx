import { platformWords } from '@jobbet/core/contract';
import { formatLength } from '@jobbet/core/units';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { mutate } from 'swr';
import { api } from '../../shared/api/client.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { FlyTabs } from './FlyTabs.tsx';
import { ShellKeys } from '../../shared/ui/ShellKeys.tsx';
import { TopBar } from '../../shared/ui/TopBar.tsx';
import { say } from '../../shared/ui/toast.ts';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import { exportFile, exportPng, exportSvg } from '../export.ts';
import { HOOK } from '../selection.ts';
import { change, isToSettle, redo, undo, useBench, useBenchStore, useHistory, type SaveState } from '../store.ts';

interface BenchBarProps {
  readonly onHistory: () => void;
}

const SAVE_WORDS: Readonly<Record<SaveState, string>> = {
  saved: 'saved',
  waiting: 'saving',
  saving: 'saving',
  failed: 'not saved, kept on this device',
  conflict: 'saved elsewhere too',
  gone: 'no longer in the box',
};

/** The name of the fly, its hook, its state of saving, and what can be done with all of it. */
export function BenchBar({ onHistory }: BenchBarProps) {
  const bench = useBenchStore();
  const navigate = useNavigate();
  const id = useBench((state) => state.id);
  const laid = useBench((state) => state.calm);
  const save = useBench((state) => state.save);
  const canUndo = useHistory((history) => history.pastStates.length > 0);
  const canRedo = useHistory((history) => history.futureStates.length > 0);
  const style = useStyle();
  const { platform } = laid;
  const measure = (mm: number | null, nominal: boolean): string => {
    if (mm === null) return '';
    const { figure, unit } = formatLength(mm, style);
    return `${nominal ? '≈ ' : ''}${figure} ${unit}`;
  };
  const onDevice = useBench((state) => state.onDevice);
  const saveProblem = useBench((state) => state.saveProblem);
  const trouble = save === 'failed' || isToSettle(save);
  return (
    <TopBar
      title={
        <>
          <FlyName />
          <button
            type="button"
            className="flex gap-3 items-baseline min-w-0 whitespace-nowrap overflow-hidden text-ink2 hover:text-ink"
            title="Change the hook"
            onClick={() => {
              bench.setState({ selected: HOOK });
              void navigate(`/fly/${id}`);
            }}
          >
            <span>{platformWords(laid.file.platform)}</span>
            <span className="text-rule" aria-hidden="true">
              |
            </span>
            <span className="italic text-measure">shank {measure(platform.shankMm, platform.nominal.shank)}</span>
            {platform.gapMm !== null && (
              <>
                <span className="text-rule max-[1180px]:hidden" aria-hidden="true">
                  |
                </span>
                <span className="italic text-measure max-[1180px]:hidden">
                  gap {measure(platform.gapMm, platform.nominal.gap)}
                </span>
              </>
            )}
          </button>
        </>
      }
    >
      <FlyTabs id={id} />
      <span
        role="status"
        data-testid="save"
        title={saveProblem ?? undefined}
        className={trouble ? 'flex items-center gap-1.5 text-warn font-semibold' : 'italic text-ink3'}
      >
        {trouble && <SnagFlag />}
        {save === 'failed' && !onDevice ? 'not saved anywhere' : SAVE_WORDS[save]}
      </span>
      <button type="button" disabled={!canUndo} onClick={() => undo(bench)}>
        undo <span className="plain-key">Z</span>
      </button>
      <button type="button" disabled={!canRedo} onClick={() => redo(bench)}>
        redo
      </button>
      <button type="button" onClick={onHistory}>
        history <span className="plain-key">H</span>
      </button>
      <FlyMenu />
      <ShellKeys />
    </TopBar>
  );
}

function FlyName() {
  const bench = useBenchStore();
  const name = useBench((state) => state.file.name);
  const [draft, setDraft] = useState<string | null>(null);
  const take = (): void => {
    const next = (draft ?? name).trim();
    if (next !== '' && next !== name) change(bench, { ...bench.getState().file, name: next });
    setDraft(null);
  };
  return (
    <h1 className="text-fly font-bold min-w-0 shrink-[0.00001]">
      <input
        aria-label="name of the fly"
        className="bg-transparent font-bold w-full max-w-[300px] text-ellipsis [field-sizing:content] min-w-[4ch] focus:bg-pick focus:text-on-pick outline-none"
        maxLength={120}
        value={draft ?? name}
        onChange={(event) => setDraft(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur();
          if (event.key === 'Escape') {
            setDraft(null);
          }
        }}
      />
    </h1>
  );
}

const item = 'px-3 py-1 cursor-pointer outline-none data-[highlighted]:bg-pick data-[highlighted]:text-on-pick';

function FlyMenu() {
  const bench = useBenchStore();
  const navigate = useNavigate();
  const copy = async (): Promise<void> => {
    const { file } = bench.getState();
    const made = await api.create({ ...file, name: `${file.name}, copy` });
    await mutate('flies');
    void navigate(`/fly/${made.id}`);
    say(`${made.name} is on the bench.`);
  };
  const remove = async (): Promise<void> => {
    const { id, file } = bench.getState();
    await api.remove(id);
    await mutate('flies');
    void navigate('/');
    say(`${file.name} is in the trash.`, {
      name: 'Undo',
      run: () => void api.undelete(id).then(() => mutate('flies')),
    });
  };
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="data-[state=open]:font-bold">fly ▾</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" sideOffset={10} className="z-30 bg-sheet border border-ink py-1 min-w-52">
          <DropdownMenu.Item className={item} onSelect={() => void copy()}>
            Copy the fly
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => exportFile(bench.getState().file)}>
            Save the pattern file
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => exportSvg(bench.getState().laid)}>
            Save the drawing as SVG
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => void exportPng(bench.getState().laid)}>
            Save the drawing as PNG
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => window.print()}>
            Print
          </DropdownMenu.Item>
          <DropdownMenu.Separator className="border-t border-hair my-1" />
          <DropdownMenu.Item className={item} onSelect={() => void navigate('/settings')}>
            Settings
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => void navigate('/help')}>
            Help
          </DropdownMenu.Item>
          <DropdownMenu.Separator className="border-t border-hair my-1" />
          <DropdownMenu.Item className={item} onSelect={() => void remove()}>
            Put the fly in the trash
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
