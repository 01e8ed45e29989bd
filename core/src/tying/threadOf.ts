import { THREAD_FIBRE } from '../data/index.ts';
import { NOMINAL_THREADS, type ThreadItem } from '../drawers/index.ts';
import type { FlyFile } from '../pattern/index.ts';

/** What a fly is tied with where the file names no thread. */
export const USUAL_DENIER = 140;

/** A thread as it lies on the shank. mm, mm², grams of force */
export interface Thread {
  readonly denier: number;
  /** How it is asked for over the counter, such as 8/0; null where there is no such word for it. */
  readonly aught: string | null;
  /** The spool of the drawer whose figures these are; null where they are reckoned. */
  readonly spool: string | null;
  /** Solid section of its fibres. */
  readonly sectionMm2: number;
  /** Breadth laid flat, and diameter spun into a cord. */
  readonly flatMm: number;
  readonly cordMm: number;
  readonly breaksG: number;
}

/** Packing of a flat bundle's fibres into a round cord. */
const CORD_PACKING = 0.8;
/** Breadth laid flat, mm for the root of a denier; as the table of nominal threads has it. */
const FLAT_MM = 0.02;

/**
 * The thread of a fly: as the spool of that denier lies and breaks, else reckoned from its denier (grams to 9,000 m).
 * @param spools of a tier's own drawer
 */
export function threadOf(file: FlyFile, spools: readonly ThreadItem[] = []): Thread {
  const denier = file.thread?.denier ?? USUAL_DENIER;
  const spool = spools.find((each) => each.denier === denier);
  const sectionMm2 = denier / 9000 / THREAD_FIBRE.density;
  return {
    denier,
    aught: spool?.aught ?? NOMINAL_THREADS.find((each) => each.denier === denier)?.aught ?? null,
    spool: spool?.name ?? null,
    sectionMm2,
    cordMm: Math.sqrt((4 * sectionMm2) / (Math.PI * CORD_PACKING)),
    flatMm: spool?.widthMm ?? FLAT_MM * Math.sqrt(denier),
    breaksG: spool?.strengthG ?? THREAD_FIBRE.gramsPerDenier * denier,
  };
}
