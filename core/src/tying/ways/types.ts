import type { FlyFile } from '../../pattern/index.ts';
import type { LaidFly } from '../../model/index.ts';

/** One way of doing a thing about which tiers differ, and what it gives and costs. */
export interface WayOption {
  readonly value: string;
  readonly words: string;
  readonly says: string;
}

/** A thing about which tiers differ, as this fly has it. */
export interface Way {
  readonly key: string;
  readonly words: string;
  readonly now: string;
  readonly options: readonly WayOption[];
  /** The fly done another way. @param value one of the options */
  readonly take: (value: string) => FlyFile;
}

/** Finds the things of one kind that a fly has. */
export type WaysOf = (laid: LaidFly) => readonly Way[];

/** A file with one part moved to just before or just after another, by their places in the list. */
export function moved(file: FlyFile, from: number, beside: number, after: boolean): FlyFile {
  const parts = [...file.parts];
  const [part] = parts.splice(from, 1);
  if (!part) return file;
  const at = beside - (from < beside ? 1 : 0);
  parts.splice(at + (after ? 1 : 0), 0, part);
  return { ...file, parts };
}
