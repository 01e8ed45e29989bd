import type { Fault } from '@jobbet/core/base';
import { readDocument } from '@jobbet/core/document';
import { BEAT_KIND, type BeatFile, BEDS } from '@jobbet/core/records';
import { useState } from 'react';
import type { StoredBeat } from '../api/client.ts';
import { ChoiceField } from '../fields/Fields.tsx';
import { RecordForm } from './RecordForm.tsx';
import { addBeat, keepBeat, removeBeat } from './beats.ts';

interface BeatDialogProps {
  /** The beat that is changed; null for another one. */
  readonly stored: StoredBeat | null;
  readonly record: BeatFile;
  readonly onMade: (id: string) => void;
  readonly onClose: () => void;
}

export const NEW_BEAT: BeatFile = { format: 'jobbet.beat', version: 1, name: '', depth: '', speed: '', bed: 'gravel' };

const FIELDS = [
  ['name', 'Name', 'Long Glide', true],
  ['depth', 'Depth', '1.2 m', true],
  ['speed', 'Current, mean over the depth', '0.6 m/s', true],
  ['width', 'Width', '20 m', false],
  ['clarity', 'A white disc is lost at', '1.5 m', false],
  ['temperature', 'Temperature', '8 C', false],
] as const;

type Key = (typeof FIELDS)[number][0];

const textOf = (record: BeatFile, key: Key): string => {
  const value = record[key];
  return typeof value === 'string' ? value : typeof value === 'object' ? value.surface : '';
};

type Texts = Readonly<Record<Key, string>>;
interface Written {
  readonly texts: Texts;
  readonly onTop: boolean;
  readonly bed: BeatFile['bed'];
  readonly kind: NonNullable<BeatFile['kind']>;
}

/** What is written, as a record; what is left empty is not said. */
function recordOf(before: BeatFile, { texts, onTop, bed, kind }: Written): unknown {
  const { simulated: _made, ...own } = before;
  const left = Object.entries(own).filter(([key]) => !FIELDS.some(([field]) => field === key));
  const told = Object.entries(texts).filter(([key, text]) => key !== 'speed' && text.trim() !== '');
  const speed = onTop ? { surface: texts.speed } : texts.speed;
  return { ...Object.fromEntries([...left, ...told]), speed, bed, kind };
}

/** A beat told: how deep, how fast, what its bed is of. */
export function BeatDialog({ stored, record, onMade, onClose }: BeatDialogProps) {
  const [written, setWritten] = useState<Written>(() => ({
    texts: Object.fromEntries(FIELDS.map(([key]) => [key, textOf(record, key)])) as Texts,
    onTop: typeof record.speed !== 'string',
    bed: record.bed,
    kind: record.kind ?? 'fresh',
  }));
  const { texts, onTop, bed, kind } = written;
  const keep = async (): Promise<readonly Fault[]> => {
    const read = readDocument(BEAT_KIND, recordOf(record, written));
    if (!read.ok) return read.faults;
    if (stored) await keepBeat(stored, read.value);
    else onMade(await addBeat(read.value));
    return [];
  };
  return (
    <RecordForm
      title={stored ? `The beat ${stored.name}` : 'Another beat'}
      fields={FIELDS}
      {...{ texts, onClose }}
      onTexts={(next) => setWritten({ ...written, texts: next })}
      onKeep={keep}
      keep={stored ? 'Keep it' : 'Lay it among the beats'}
      onTrash={stored ? () => removeBeat(stored) : undefined}
    >
      <label className="flex gap-2 items-baseline">
        <input
          type="checkbox"
          checked={onTop}
          onChange={(event) => setWritten({ ...written, onTop: event.target.checked })}
        />
        timed with a float on top: 0.85 of it is the mean
      </label>
      <Among label="Bed" value={bed} among={BEDS} onPick={(to) => setWritten({ ...written, bed: to })} />
      <Among label="Water" value={kind} among={KINDS} onPick={(to) => setWritten({ ...written, kind: to })} />
    </RecordForm>
  );
}

const KINDS = ['fresh', 'brackish', 'salt'] as const;

const Among = <T extends string>({
  label,
  value,
  among,
  onPick,
}: {
  readonly label: string;
  readonly value: T;
  readonly among: readonly T[];
  readonly onPick: (value: T) => void;
}) => (
  <label className="grid grid-cols-[200px_1fr] items-baseline gap-2">
    {label}
    <ChoiceField
      label={label}
      value={value}
      options={among}
      onChange={(word) => {
        const picked = among.find((each) => each === word);
        if (picked !== undefined) onPick(picked);
      }}
    />
  </label>
);
