import type { Fault } from '@jobbet/core/base';
import type { Column } from '@jobbet/core/drawers';
import { useId, useState, type KeyboardEvent } from 'react';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';

/** Where the focus goes when a cell is done with. */
export type Onward = 'stay' | 'down' | 'next' | 'back';

interface CellEditorProps {
  readonly label: string;
  readonly column: Column;
  readonly text: string;
  /** What is typed already: the key that began it, or what was refused before. */
  readonly begin: string | null;
  readonly fault: string | null;
  /** Takes the text, or answers with why not. */
  readonly onTake: (text: string, onward: Onward) => readonly Fault[];
  readonly onLeave: () => void;
}

const KEYS: Readonly<Record<string, Onward>> = { Enter: 'down', Tab: 'next' };

/** A cell while it is written in. Enter takes it and goes down, Tab goes on, Escape leaves it as it was. */
export function CellEditor({ label, column, text, begin, fault, onTake, onLeave }: CellEditorProps) {
  const [draft, setDraft] = useState(begin ?? text);
  const [why, setWhy] = useState(fault);
  const id = useId();
  const choices = column.kind === 'choice' ? column.options : column.kind === 'yes' ? ['yes'] : null;
  const take = (value: string, onward: Onward): boolean => {
    const [first] = value === text && why === null ? [] : onTake(value, onward);
    setWhy(first?.message ?? null);
    return first === undefined;
  };
  const key = (event: KeyboardEvent): void => {
    event.stopPropagation();
    if (event.key === 'Escape') {
      event.preventDefault();
      onLeave();
      return;
    }
    const onward = event.key === 'Tab' && event.shiftKey ? 'back' : KEYS[event.key];
    if (onward === undefined) return;
    event.preventDefault();
    if (draft === text && why === null) onTake(text, onward);
    else take(draft, onward);
  };
  const common = {
    'aria-label': label,
    'aria-invalid': why !== null,
    'aria-describedby': why === null ? undefined : `${id}-why`,
    autoFocus: true,
    className: 'absolute inset-0 w-full h-full px-2 bg-pick text-on-pick outline-2 outline-ink font-semibold',
    onKeyDown: key,
    onBlur: () => {
      if (draft === text && why === null) onLeave();
      else take(draft, 'stay');
    },
  };
  return (
    <>
      {choices ? (
        <select
          {...common}
          style={{ minWidth: '6.5rem' }}
          value={draft}
          onChange={(event) => setDraft(event.target.value)}
        >
          {column.required !== true && <option value="" aria-label="none" />}
          {choices.map((choice) => (
            <option key={choice}>{choice}</option>
          ))}
        </select>
      ) : (
        <input
          {...common}
          value={draft}
          spellCheck={false}
          autoComplete="off"
          list={column.options ? `${id}-list` : undefined}
          onFocus={(event) => {
            if (begin === null) event.target.select();
          }}
          onChange={(event) => {
            setDraft(event.target.value);
            setWhy(null);
          }}
        />
      )}
      {column.options && !choices && (
        <datalist id={`${id}-list`}>
          {column.options.map((option) => (
            <option key={option} value={option} />
          ))}
        </datalist>
      )}
      {why !== null && <WhyNot id={`${id}-why`} why={why} />}
    </>
  );
}

/** Why what is typed is not taken, over what stands below. */
function WhyNot({ id, why }: { readonly id: string; readonly why: string }) {
  return (
    <span
      id={id}
      role="alert"
      className="absolute left-0 top-full z-20 w-72 flex gap-1.5 bg-warnwash text-warn px-2 py-1 whitespace-normal text-left"
    >
      <SnagFlag />
      <span>{why}</span>
    </span>
  );
}
