import type { Fault } from '@jobbet/core/base';
import type { LaidPart } from '@jobbet/core/model';
import type { Checked, Finding } from '@jobbet/core/checks';
import { renamePart } from '@jobbet/core/edit';
import { useState } from 'react';
import { CheckCards, CheckInspector } from '../../fly/verdict/Checks.tsx';
import { useFindings } from '../../fly/verdict/useFindings.ts';
import { TextField } from '../../shared/fields/Fields.tsx';
import { HookInspector } from './HookInspector.tsx';
import { markOf, PartIcon } from './PartIcon.tsx';
import { Results } from './Results.tsx';
import { StandingBox } from './SchoolBox.tsx';
import { Sentence } from './Sentence.tsx';
import { SwapDialog } from './SwapDialog.tsx';
import { partCalled, partOf } from '../../fly/selection.ts';
import { change, useBench, useBenchStore } from '../../fly/store.ts';

/** The chosen part as a sentence, with what it comes to; or the hook, the thread and the aim. */
export function Inspector({
  checked,
  onRemove,
  onCopyTo,
}: {
  readonly checked: Checked | null;
  readonly onRemove: (id: string) => void;
  readonly onCopyTo: (id: string) => void;
}) {
  const selected = useBench((state) => state.selected);
  const laid = useBench((state) => state.calm);
  const part = laid.parts.find((each) => each.file.id === partOf(selected));
  const findings = useFindings(checked).all;
  if (selected.kind === 'checks') return <CheckInspector checked={checked} />;
  if (!part) return <HookInspector findings={findings.filter((each) => each.parts.length === 0)} />;
  return (
    <PartInspector
      key={part.index}
      part={part}
      count={laid.parts.length}
      findings={findings.filter((each) => each.parts.includes(part.file.id))}
      onRemove={onRemove}
      onCopyTo={onCopyTo}
    />
  );
}

interface PartInspectorProps {
  readonly part: LaidPart;
  readonly count: number;
  readonly findings: readonly Finding[];
  readonly onRemove: (id: string) => void;
  readonly onCopyTo: (id: string) => void;
}

function PartInspector({ part, count, findings, onRemove, onCopyTo }: PartInspectorProps) {
  const bench = useBenchStore();
  const [swapping, setSwapping] = useState(false);
  const rename = (to: string): readonly Fault[] => {
    const { file } = bench.getState();
    const clash = file.parts.find((each) => each.id.toLowerCase() === to.toLowerCase() && each.id !== part.file.id);
    if (clash) return [{ path: '', code: 'duplicate-id', message: `"${to}" is already tied on this fly` }];
    if (!/^[A-Za-z](?:[A-Za-z0-9]|-(?=[A-Za-z0-9]))*$/.test(to))
      return [{ path: '', code: 'syntax', message: 'begin with a letter, then letters, digits and single dashes' }];
    return change(bench, renamePart(file, part.file.id, to), partCalled(to), `${String(part.index)}.id`);
  };
  return (
    <section aria-label={`Part ${part.file.id}`} className="h-full overflow-y-auto">
      <header className="flex items-center gap-2 px-4 pt-3">
        <PartIcon mark={markOf(part.file)} />
        <h2 className="text-part font-bold min-w-0 flex-1">
          <TextField label="name of the part" value={part.file.id} onChange={rename} />
        </h2>
        <span className="text-label italic text-ink3 shrink-0">
          part {part.index + 1} of {count}
        </span>
      </header>
      <Sentence part={part} />
      {/* What the worker finds comes a moment later: nothing that is pressed stands under it. */}
      <StandingBox id={part.file.id} />
      {findings.length > 0 && (
        <div className="px-4 py-3 border-t border-hair">
          <CheckCards findings={findings} />
        </div>
      )}
      <Results part={part} />
      <div className="px-4 py-3 border-t border-hair flex flex-wrap gap-x-4 gap-y-1 text-ink2">
        <button
          type="button"
          className="hover:text-ink underline underline-offset-2"
          onClick={() => onCopyTo(part.file.id)}
        >
          Copy the part
        </button>
        {part.file.construction === 'ball' && (
          <button
            type="button"
            className="hover:text-ink underline underline-offset-2"
            onClick={() => setSwapping(true)}
          >
            Another metal
          </button>
        )}
        <button
          type="button"
          className="hover:text-ink underline underline-offset-2"
          onClick={() => onRemove(part.file.id)}
        >
          Take it off
        </button>
      </div>
      {swapping && <SwapDialog id={part.file.id} onClose={() => setSwapping(false)} />}
    </section>
  );
}
