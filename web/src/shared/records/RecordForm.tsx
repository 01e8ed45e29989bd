import type { Fault } from '@jobbet/core/base';
import { type ReactNode, useState } from 'react';
import { DialogBox } from '../ui/DialogBox.tsx';

/** A blank of a record: its key, what it is called, what stands in it while it is empty, and whether it has to be told. */
export type RecordField<K extends string> = readonly [key: K, label: string, empty: string, needed?: boolean];

interface RecordFormProps<K extends string> {
  readonly title: string;
  readonly fields: readonly RecordField<K>[];
  readonly texts: Readonly<Record<K, string>>;
  readonly onTexts: (texts: Readonly<Record<K, string>>) => void;
  /** Keeps what is written; answers with what does not read of it. */
  readonly onKeep: () => Promise<readonly Fault[]>;
  readonly keep: string;
  /** Puts it in the trash; nothing for one that is not kept yet. */
  readonly onTrash?: (() => void) | undefined;
  readonly onClose: () => void;
  /** What else is told of it, below the blanks. */
  readonly children?: ReactNode;
}

const faultOf = (faults: readonly Fault[], key: string): Fault | undefined =>
  faults.find(({ path }) => path === key || path.startsWith(`${key}.`));

/** A record told in a dialog. What does not read is named beside its field, and nothing is lost. */
export function RecordForm<K extends string>({
  title,
  fields,
  texts,
  onTexts,
  onKeep,
  keep,
  onTrash,
  onClose,
  children,
}: RecordFormProps<K>) {
  const [faults, setFaults] = useState<readonly Fault[]>([]);
  const kept = async (): Promise<void> => {
    try {
      const wrong = await onKeep();
      if (wrong.length === 0) onClose();
      else setFaults(wrong);
    } catch (error) {
      setFaults([{ path: '', code: 'range', message: error instanceof Error ? error.message : 'It was not kept.' }]);
    }
  };
  const known = new Set<string>(fields.map(([key]) => key));
  return (
    <DialogBox title={title} open onClose={onClose}>
      <form
        className="grid gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          void kept();
        }}
      >
        {fields.map(([key, label, empty, needed = false]) => (
          <Blank
            key={key}
            {...{ label, empty, needed }}
            text={texts[key]}
            fault={faultOf(faults, key)}
            onText={(text) => onTexts({ ...texts, [key]: text })}
          />
        ))}
        {children}
        {faults
          .filter(({ path }) => !known.has(path.split('.')[0] ?? ''))
          .map(({ path, message }) => (
            <p key={path + message} role="alert" className="text-warn">
              {path === '' ? message : `${path}: ${message}`}
            </p>
          ))}
        <p className="flex gap-2 mt-2">
          <button type="submit" className="sheet-button primary">
            {keep}
          </button>
          {onTrash && (
            <button
              type="button"
              className="sheet-button"
              onClick={() => {
                onTrash();
                onClose();
              }}
            >
              Put it in the trash
            </button>
          )}
        </p>
      </form>
    </DialogBox>
  );
}

/** One blank, and why what stands in it was not taken. */
const Blank = ({
  label,
  empty,
  needed,
  text,
  fault,
  onText,
}: {
  readonly label: string;
  readonly empty: string;
  readonly needed: boolean;
  readonly text: string;
  readonly fault: Fault | undefined;
  readonly onText: (text: string) => void;
}) => (
  <label className="grid grid-cols-[200px_1fr] items-baseline gap-2">
    {label}
    <span>
      <input
        className="field w-full !text-left"
        aria-label={label}
        value={text}
        required={needed}
        placeholder={empty}
        aria-invalid={fault !== undefined}
        onChange={(event) => onText(event.target.value)}
      />
      {fault && (
        <span role="alert" className="block text-warn">
          {fault.message}
        </span>
      )}
    </span>
  </label>
);
