import type { z } from 'zod';
import type { Outcome } from '../base/index.ts';
import { type DocumentKind, readDocument } from '../document/index.ts';
import { BATCH_KIND } from './batch.ts';
import { BEAT_KIND } from './beat.ts';
import { DATE_KIND } from './date.ts';
import { DRILL_KIND } from './drill.ts';
import { OUTING_KIND } from './outing.ts';
import { SPECIMEN_KIND } from './specimen.ts';
import { keptOf, progressOf, type Progress } from './progress.ts';

/** Every kind of record there is. A new one is a schema, an entry here, and a summary. */
export const KIND_OF = {
  batch: BATCH_KIND,
  specimen: SPECIMEN_KIND,
  beat: BEAT_KIND,
  outing: OUTING_KIND,
  date: DATE_KIND,
  drill: DRILL_KIND,
} as const;
export type RecordKind = keyof typeof KIND_OF;
export type RecordOf<K extends RecordKind> = z.infer<(typeof KIND_OF)[K]['schema']>;
export const RECORD_KINDS = Object.keys(KIND_OF) as [RecordKind, ...RecordKind[]];

/** Reads a record of a kind, whatever holds it. */
export const readRecord = <K extends RecordKind>(kind: K, value: unknown): Outcome<RecordOf<K>> =>
  readDocument(KIND_OF[kind] as DocumentKind as DocumentKind<z.ZodType<RecordOf<K>>>, value);

/** What a list shows of a batch: how far it is, and how many of which fly it put in the box. */
export interface RecordSummary extends Progress {
  readonly kept: Readonly<Record<string, number>>;
}

/** What a record is found by, and what lists show of it. */
export interface RecordHead {
  readonly name: string;
  /** `2026-03-14`; null where it has none. */
  readonly day: string | null;
  /** The one fly it is of; null where it is of several. */
  readonly fly: string | null;
  /** Null of what has nothing to count. */
  readonly summary: RecordSummary | null;
}

const ofBatch = (record: RecordOf<'batch'>): RecordHead => ({
  name: record.name,
  day: record.date ?? null,
  fly: null,
  summary: { ...progressOf(record), kept: keptOf(record) },
});

const ofSpecimen = ({ fly, number, tied, pattern }: RecordOf<'specimen'>): RecordHead => {
  const name = pattern?.['name'];
  return {
    name: `${typeof name === 'string' ? name : fly}, fly ${String(number ?? 1)}`.slice(0, 200),
    day: tied?.slice(0, 10) ?? null,
    fly,
    summary: null,
  };
};

const ofBeat = ({ name }: RecordOf<'beat'>): RecordHead => ({ name, day: null, fly: null, summary: null });

const ofOuting = ({ beat, date }: RecordOf<'outing'>): RecordHead => ({
  name: `${beat}, ${date}`.slice(0, 200),
  day: date,
  fly: null,
  summary: null,
});

const ofDate = ({ name, from }: RecordOf<'date'>): RecordHead => ({ name, day: from, fly: null, summary: null });

const ofDrill = ({ of, at }: RecordOf<'drill'>): RecordHead => ({
  name: `${of}, ${at.slice(0, 10)}`,
  day: at.slice(0, 10),
  fly: null,
  summary: null,
});

const HEADS: { readonly [K in RecordKind]: (record: RecordOf<K>) => RecordHead } = {
  batch: ofBatch,
  specimen: ofSpecimen,
  beat: ofBeat,
  outing: ofOuting,
  date: ofDate,
  drill: ofDrill,
};

export const headOf = <K extends RecordKind>(kind: K, record: RecordOf<K>): RecordHead => HEADS[kind](record);
