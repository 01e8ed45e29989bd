import type { Fault } from '@jobbet/core/base';
import { readDocument } from '@jobbet/core/document';
import { DATE_KIND, DATE_SORTS, type DateFile } from '@jobbet/core/records';
import { useState } from 'react';
import type { StoredDate } from '../../shared/api/client.ts';
import { addDate, keepDate, removeDate } from '../../shared/records/dates.ts';
import { RecordForm } from '../../shared/records/RecordForm.tsx';
import { ChoiceField } from '../../shared/fields/Fields.tsx';
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

/** A date one sets: a run of fish, a season, a trip; perhaps every other year, and by when flies are to be ready. */
export function DateDialog({ stored, onClose }: { readonly stored: StoredDate | null; readonly onClose: () => void }) {
  const [texts, setTexts] = useState(() => textsOf(stored?.record ?? null));
  const [sort, setSort] = useState<DateFile['sort']>(stored?.record.sort ?? 'run');
  const keep = async (): Promise<readonly Fault[]> => {
    const read = readDocument(DATE_KIND, recordOf(texts, sort));
    if (!read.ok) return read.faults;
    await (stored ? keepDate(stored, read.value) : addDate(read.value));
    return [];
  };
  return (
    <RecordForm
      title={stored ? `The date ${stored.name}` : 'Another date'}
      fields={FIELDS}
      {...{ texts, onClose }}
      onTexts={setTexts}
      onKeep={keep}
      keep={stored ? 'Keep it' : 'Set it'}
      onTrash={stored ? () => removeDate(stored) : undefined}
    >
      <label className="grid grid-cols-[200px_1fr] items-baseline gap-2">
        What it is
        <ChoiceField
          label="What it is"
          value={sort}
          options={DATE_SORTS.map((each) => [each, SORT_WORDS[each]] as const)}
          onChange={(word) => setSort(DATE_SORTS.find((each) => each === word) ?? sort)}
        />
      </label>
    </RecordForm>
  );
}
