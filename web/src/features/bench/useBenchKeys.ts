import { movePart } from '@jobbet/core/edit';
import { setSettings, useSettings } from '../../shared/settings/settings.ts';
import { bound } from '../../shared/commands/commands.ts';
import { useOffered } from '../../shared/commands/useKeys.ts';
import { BENCH, COMPARED } from './commands.ts';
import { nudgePicked } from '../../fly/pulling.ts';
import { goToChecks, takeShown } from '../../fly/verdict/Checks.tsx';
import { partOf, stepFrom } from '../../fly/selection.ts';
import { changeOrSay, leavePreview, useBench, type Bench } from '../../fly/store.ts';

/** Takes the keyboard into the first blank of the sentence on the right. */
export function editSentence(): void {
  document.querySelector<HTMLElement>('[data-sentence] .field')?.focus();
}

const NEXT_MODE = { lines: 'dressed', dressed: 'silhouette', silhouette: 'lines' } as const;

interface BenchKeys {
  readonly bench: Bench;
  readonly onAdd: () => void;
  readonly onRemove: (id: string) => void;
  readonly onCopy: (id: string) => void;
  readonly onTurn: () => void;
}

/** Everything that can be done on the bench, by key and by name. */
export function useBenchKeys({ bench, onAdd, onRemove, onCopy, onTurn }: BenchKeys): void {
  const { mode } = useSettings();
  const state = () => bench.getState();
  const step = (by: 1 | -1): void => bench.setState({ selected: stepFrom(state().selected, state().file, by) });
  const reorder = (by: 1 | -1): void => {
    const at = state().file.parts.findIndex((part) => part.id === partOf(state().selected));
    if (at >= 0 && at + by >= 0 && at + by < state().file.parts.length)
      changeOrSay(bench, movePart(state().file, at, at + by));
  };
  const pull = (way: 1 | -1, fine: boolean): void => {
    const aft = useSettings.getState().hand === 'right' ? -way : way;
    nudgePicked(bench, fine ? aft / 5 : aft);
  };
  const part = (run: (id: string) => void) => (): void => {
    const id = partOf(state().selected);
    if (id !== null) run(id);
  };
  const preview = useBench((now) => now.preview);
  const compare = useBench((now) => now.compare);
  useOffered('bench', [
    ...bound(COMPARED, { leave: compare && !preview ? () => bench.setState({ compare: null }) : null }),
    ...(preview
      ? [
          { name: `Take it: ${preview.words}`, group: 'Bench', keys: 'enter', run: () => takeShown(bench) },
          { name: 'Back to the fly as it is', group: 'Bench', keys: 'escape', run: () => leavePreview(bench) },
        ]
      : []),
    ...bound(BENCH, {
      checks: () => goToChecks(bench),
      above: () => step(-1),
      below: () => step(1),
      add: onAdd,
      edit: editSentence,
      earlier: () => reorder(-1),
      later: () => reorder(1),
      left: () => pull(-1, false),
      right: () => pull(1, false),
      littleLeft: () => pull(-1, true),
      littleRight: () => pull(1, true),
      copy: part(onCopy),
      remove: part(onRemove),
      mode: () => setSettings({ mode: NEXT_MODE[mode] }),
      turn: onTurn,
      print: () => window.print(),
    }),
  ]);
}
