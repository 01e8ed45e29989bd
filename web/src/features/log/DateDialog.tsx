import type { Fault } from '@jobbet/core/base';
import { readDocument } from '@jobbet/core/document';
import { DATE_KIND, DATE_SORTS, type DateFile } from '@jobbet/core/records';
import { useState } from 'react';
import type { StoredDate } from '../../shared/api/client.ts';
import { addDate, keepDate, removeDate } from '../../shared/records/dates.ts';
import { ChoiceField } from '../../shared/fields/Fields.tsx';
import { DialogBox } from '../../shared/ui/DialogBox.tsx';
import { SORT_WORDS } from './words.ts';

const FIELDS = [
  ['name', 'Name', 'Summer run'],
  ['from', 'It begins', '2026-07-10'],
  ['to', 'It ends', 'the same day'],
  ['every', 'Comes again after, years', 'once only'],
  ['tieDays', 'Flies ready before it, days', 'not told'],
  ['note', 'Note', ''],
] as const;
type Key = (typeof FIELDS)[number][0];
type Texts = Readonly<Record<Key, string>>;

const textsOf = (record: DateFile | null): Texts =>
  Object.fromEntries(FIELDS.map(([key]) => [key, String(record?.[key] ?? '')])) as Texts;

/** A count is a number where it reads as one; else it stays as it was written, and is named. */
const countOf = (text: string): number | string => (/^\d+$/.test(text.trim()) ? Number(text) : text.trim());

/** What is written, as a record; what is left empty is not said. */
function recordOf(texts: Texts, sort: DateFile['sort']): unknown {
  const told = Object.entries(texts).filter(([, text]) => text.trim() !== '');
  return {
    format: DATE_KIND.format,
    version: DATE_KIND.version,
    sort,
    name: '',
    ...Object.fromEntries(
      told.map(([key, text]) => [key, key === 'every' || key === 'tieDays' ? countOf(text) : text.trim()]),
    ),
  };
}

/** A date one sets: a run of fish, a season, a trip; perhaps every other year, and by when flies are to be ready. What does not read is named beside its field. */
export function DateDialog({ stored, onClose }: { readonly stored: StoredDate | null; readonly onClose: () => void }) {
  const [texts, setTexts] = useState(() => textsOf(stored?.record ?? null));
  const [sort, setSort] = useState<DateFile['sort']>(stored?.record.sort ?? 'run');
  const [faults, setFaults] = useState<readonly Fault[]>([]);
  const keep = async (): Promise<void> => {
    const read = readDocument(DATE_KIND, recordOf(texts, sort));
    if (!read.ok) {
      setFaults(read.faults);
      return;
    }
    try {
      await (stored ? keepDate(stored, read.value) : addDate(read.value));
      onClose();
    } catch (error) {
      setFaults([{ path: '', code: 'range', message: error instanceof Error ? error.message : 'It was not kept.' }]);
    }
  };
  return (
    <DialogBox title={stored ? `The date ${stored.name}` : 'Another date'} open onClose={onClose}>
      <form
        className="grid gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <Fields {...{ texts, faults }} onTexts={setTexts} />
        <label className="grid grid-cols-[200px_1fr] items-baseline gap-2">
          What it is
          <ChoiceField
            label="What it is"
            value={sort}
            options={DATE_SORTS.map((each) => [each, SORT_WORDS[each]] as const)}
            onChange={(word) => setSort(DATE_SORTS.find((each) => each === word) ?? sort)}
          />
        </label>
        {faults
          .filter(({ path }) => !FIELDS.some(([key]) => key === path))
          .map(({ path, message }) => (
            <p key={path + message} role="alert" className="text-warn">
              {message}
            </p>
          ))}
        <p className="flex gap-2 mt-2">
          <button type="submit" className="sheet-button primary">
            {stored ? 'Keep it' : 'Set it'}
          </button>
          {stored && (
            <button
              type="button"
              className="sheet-button"
              onClick={() => {
                removeDate(stored);
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

/** The blanks of a date, what does not read beside its own. */
const Fields = ({
  texts,
  faults,
  onTexts,
}: {
  readonly texts: Texts;
  readonly faults: readonly Fault[];
  readonly onTexts: (texts: Texts) => void;
}) =>
  FIELDS.map(([key, label, empty]) => {
    const fault = faults.find(({ path }) => path === key);
    return (
      <label key={key} className="grid grid-cols-[200px_1fr] items-baseline gap-2">
        {label}
        <span>
          <input
            className="field w-full !text-left"
            aria-label={label}
            value={texts[key]}
            placeholder={empty}
            aria-invalid={fault !== undefined}
            onChange={(event) => onTexts({ ...texts, [key]: event.target.value })}
          />
          {fault && (
            <span role="alert" className="block text-warn">
              {fault.message}
            </span>
          )}
        </span>
      </label>
    );
  });
