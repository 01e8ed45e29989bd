import type { RulesItem, Drawers } from '../drawers/index.ts';
import type { FlyFile } from '../pattern/index.ts';
import type { LaidFly, LaidPart, SolvedFly } from '../model/index.ts';
import type { Standing } from './standing.ts';

export type Severity = 'stop' | 'warn' | 'note';
/** What a fault costs: the fish, the strength of the fly, or its looks. */
export type Costs = 'fish' | 'strength' | 'looks';

/** A change that mends a find in one step. */
export interface Fix {
  readonly words: string;
  readonly file: FlyFile;
}

/** What one check found on one place of a fly. */
export interface Found {
  readonly severity: Severity;
  readonly parts: readonly string[];
  /** What is the matter, in a tier's words with its figures. */
  readonly message: string;
  readonly figure: number | null;
  readonly limit: number | null;
  /** Place on the fly, mm from the eye. */
  readonly atMm: number | null;
  readonly fix: Fix | null;
}

export interface Finding extends Found {
  readonly code: string;
  /** Other checks that the same cause trips, told with it. */
  readonly with?: readonly string[];
  readonly costs: Costs;
  readonly reason: string;
}

export interface Limit {
  readonly value: number;
  readonly means: string;
}

/** What a check looks at. `limit` gives the limits of the check itself, as the user has them. */
export interface Checking {
  readonly solved: SolvedFly;
  readonly laid: LaidFly;
  readonly file: FlyFile;
  readonly drawers: Drawers;
  /** How a part stands to the fly's school; null where it says nothing of it. */
  readonly standing: (id: string) => Standing | null;
  /** What is asked on the waters whose rules are in force. */
  readonly rules: readonly RulesItem[];
  readonly limit: (key: string) => number;
}

export interface Check {
  readonly code: string;
  readonly costs: Costs;
  readonly reason: string;
  readonly limits: Readonly<Record<string, Limit>>;
  readonly find: (fly: Checking) => readonly Found[];
}

/** A find with everything left out that it has nothing to say of. */
export const found = (
  severity: Severity,
  part: LaidPart | null,
  message: string,
  more: Partial<Omit<Found, 'severity' | 'message'>> = {},
): Found => ({
  severity,
  message,
  parts: part ? [part.file.id] : [],
  figure: null,
  limit: null,
  atMm: part ? (part.extent.tipMm ?? (part.extent.startMm + part.extent.endMm) / 2) : null,
  fix: null,
  ...more,
});

/** Parts of some constructions. */
export const partsOf = (laid: LaidFly, ...constructions: readonly string[]): LaidPart[] =>
  laid.parts.filter((part) => constructions.includes(part.file.construction));

export const overlap = (a: LaidPart, b: LaidPart): number =>
  Math.min(a.extent.endMm, b.extent.endMm) - Math.max(a.extent.startMm, b.extent.startMm);
