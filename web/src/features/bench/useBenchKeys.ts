import { movePart } from '@jobbet/core/edit';
import { setSettings, useSettings } from '../../shared/settings/settings.ts';
import { useOffered } from '../../shared/commands/useKeys.ts';
import { exportFile, exportPng, exportSvg } from '../../fly/export.ts';
import { nudgePicked } from '../../fly/pulling.ts';
import { goToChecks, takeShown } from '../../fly/verdict/Checks.tsx';
import { partOf, stepFrom } from '../../fly/selection.ts';
import { changeOrSay, leavePreview, useBench, type Bench } from '../../fly/store.ts';

/** Takes the keyboard into the first blank of the sentence on the right. */
export function editSentence(): void {
  document.querySelector<HTMLElement>('[data-sentence] .field')?.focus();
}

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
  const step = (by: 1 | -1): void => {
    bench.setState({ selected: stepFrom(state().selected, state().file, by) });
  };
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
    ...(compare && !preview
      ? [
          {
            name: 'Leave the comparison of schools',
            group: 'Bench',
            keys: 'escape',
            run: () => {
              bench.setState({ compare: null });
            },
          },
        ]
      : []),
    ...(preview
      ? [
          {
            name: `Take it: ${preview.words}`,
            group: 'Bench',
            keys: 'enter',
            run: () => {
              takeShown(bench);
            },
          },
          {
            name: 'Back to the fly as it is',
            group: 'Bench',
            keys: 'escape',
            run: () => {
              leavePreview(bench);
            },
          },
        ]
      : []),
    {
      name: 'Checks',
      group: 'Bench',
      keys: 'x',
      run: () => {
        goToChecks(bench);
      },
    },
    {
      name: 'Part above',
      group: 'Bench',
      keys: 'up',
      run: () => {
        step(-1);
      },
    },
    {
      name: 'Part below',
      group: 'Bench',
      keys: 'down',
      run: () => {
        step(1);
      },
    },
    { name: 'Add a part', group: 'Bench', keys: 'a', run: onAdd },
    {
      name: 'Edit the part',
      group: 'Bench',
      keys: 'enter or e',
      run: editSentence,
    },
    {
      name: 'Tie it earlier',
      group: 'Bench',
      keys: '[',
      run: () => {
        reorder(-1);
      },
    },
    {
      name: 'Tie it later',
      group: 'Bench',
      keys: ']',
      run: () => {
        reorder(1);
      },
    },
    {
      name: 'Pull the tip left',
      group: 'Bench',
      keys: 'left',
      run: () => {
        pull(-1, false);
      },
    },
    {
      name: 'Pull the tip right',
      group: 'Bench',
      keys: 'right',
      run: () => {
        pull(1, false);
      },
    },
    {
      name: 'A little to the left',
      group: 'Bench',
      keys: 'shift+left',
      run: () => {
        pull(-1, true);
      },
    },
    {
      name: 'A little to the right',
      group: 'Bench',
      keys: 'shift+right',
      run: () => {
        pull(1, true);
      },
    },
    { name: 'Copy the part', group: 'Bench', keys: 'c', run: part(onCopy) },
    { name: 'Take the part off', group: 'Bench', keys: 'delete', run: part(onRemove) },
    {
      name: 'Lines, dressed, silhouette',
      group: 'Drawing',
      keys: 'v',
      run: () => {
        setSettings({ mode: mode === 'lines' ? 'dressed' : mode === 'dressed' ? 'silhouette' : 'lines' });
      },
    },
    { name: 'As tied, as it fishes', group: 'Drawing', keys: 'r', run: onTurn },
    {
      name: 'Save the pattern file',
      group: 'Fly',
      run: () => {
        exportFile(state().file);
      },
    },
    {
      name: 'Save the drawing as SVG',
      group: 'Fly',
      run: () => {
        exportSvg(state().laid);
      },
    },
    {
      name: 'Save the drawing as PNG',
      group: 'Fly',
      run: () => {
        void exportPng(state().laid);
      },
    },
    {
      name: 'Print',
      group: 'Fly',
      keys: 'p or ctrl+p',
      run: () => {
        window.print();
      },
    },
  ]);
}
