import { parsePosition, type Part } from '../../pattern/index.ts';
import type { LaidFly, LaidPart } from '../../model/index.ts';

/** What comes out a little different each time a fly is tied. */
export const SPREAD_KINDS = ['along', 'roll', 'length', 'width', 'amount', 'split', 'turns', 'mass', 'wire'] as const;
export type SpreadKind = (typeof SPREAD_KINDS)[number];

/**
 * Standard deviations a tier's hands have until they are measured: shares of a length, width, pinch, mass or wire; of the shank along it;
 * degrees round it; turns; and of one half over the other. Judgement: docs/model.md.
 */
export const USUAL_SPREADS: Readonly<Record<SpreadKind, number>> = {
  along: 0.02,
  roll: 4,
  length: 0.05,
  width: 0.05,
  amount: 0.12,
  split: 0.06,
  turns: 0.4,
  mass: 0.04,
  wire: 0.02,
};

/** The largest standard deviation that may be asked for; beyond it a fly three of them off is no longer that fly. */
export const MOST_SPREAD: Readonly<Record<SpreadKind, number>> = {
  along: 0.1,
  roll: 20,
  length: 0.2,
  width: 0.2,
  amount: 0.3,
  split: 0.3,
  turns: 3,
  mass: 0.2,
  wire: 0.1,
};

/** One thing that varies: of a part, or of the hook, with its standard deviation. */
export interface Spread {
  readonly key: string;
  /** Null for the hook. */
  readonly part: string | null;
  readonly kind: SpreadKind;
  readonly sigma: number;
}

const isForced = (at: string): boolean => {
  const read = parsePosition(at);
  return read.ok && read.relation.anchor.kind === 'against';
};

/** Whether a part lies on both sides, or in the middle where its halves can differ. */
function hasHalves(part: Part, built: LaidPart['built']): boolean {
  if (part.side === 'near' || part.side === 'far') return false;
  if (part.construction === 'spun' || part.construction === 'bundle') return built.lumps.length > 0;
  return part.construction === 'feather' && built.lumps.filter((lump) => Math.abs(lump.centroid[1]) > 1e-6).length > 1;
}

function kindsOf({ file, built, massMg }: LaidPart): SpreadKind[] {
  if (massMg <= 0) return [];
  const halves: SpreadKind[] = hasHalves(file, built) ? ['split'] : [];
  switch (file.construction) {
    case 'ball': {
      const own: SpreadKind[] = file.shape === 'disc' ? [] : ['mass'];
      return [
        ...(isForced(file.at ?? '') ? [] : ['along' as const]),
        ...(built.ball?.sided ? ['roll' as const] : []),
        ...own,
      ];
    }
    case 'bundle':
      return ['length', ...(file.strands === undefined ? ['amount' as const] : []), ...halves];
    case 'feather':
      return ['length', ...(file.width === undefined ? [] : ['width' as const]), ...halves];
    case 'strip':
      return ['length', ...(file.width === undefined ? [] : ['width' as const])];
    case 'hackle':
      return ['length', ...(built.turns === null ? [] : ['turns' as const])];
    case 'spun':
      return [
        ...(file.diameter === undefined ? [] : ['width' as const]),
        ...(file.tip === undefined ? [] : ['length' as const]),
        ...halves,
      ];
    case 'wrap': {
      const wire = file.role === 'underbody' && file.strand !== undefined;
      return [
        ...(file.turns === undefined ? [] : ['turns' as const]),
        ...(wire ? ['wire' as const] : []),
        ...(file.diameter === undefined ? [] : ['width' as const]),
      ];
    }
    case 'sheet':
    case 'coat':
      return [];
  }
}

export const spreadKey = (part: string | null, kind: SpreadKind): string => `${part ?? '*'}.${kind}`;

/**
 * Everything that varies on a fly, in the order its parts are tied.
 * @param own standard deviations other than the usual, by their keys
 */
export function spreadsOf(laid: LaidFly, own: Readonly<Record<string, number>> = {}): Spread[] {
  const of = (part: string | null, kind: SpreadKind): Spread => {
    const key = spreadKey(part, kind);
    return { key, part, kind, sigma: own[key] ?? USUAL_SPREADS[kind] };
  };
  const hook = laid.platform.wireMm === null ? [] : [of(null, 'wire')];
  return [...hook, ...laid.parts.flatMap((part) => kindsOf(part).map((kind) => of(part.file.id, kind)))];
}

/** What a tier minds while tying: where it sits, its lengths, how much of it, its halves, what was bought. */
export type CareKind = 'place' | 'length' | 'amount' | 'split' | 'bought';

const CARE: Readonly<Record<SpreadKind, CareKind>> = {
  along: 'place',
  roll: 'place',
  length: 'length',
  width: 'amount',
  amount: 'amount',
  turns: 'amount',
  split: 'split',
  mass: 'bought',
  wire: 'bought',
};

/** Spreads that one care would do away with. */
export interface Care {
  readonly part: string | null;
  readonly kind: CareKind;
  readonly spreads: readonly number[];
}

/** The spreads of a fly by what is to be minded; each holds the places of its spreads in the list. */
export function caresOf(spreads: readonly Spread[]): Care[] {
  const cares = new Map<string, { part: string | null; kind: CareKind; spreads: number[] }>();
  spreads.forEach(({ part, kind }, i) => {
    const care = CARE[kind];
    const key = `${part ?? '*'} ${care}`;
    const known = cares.get(key);
    if (known) known.spreads.push(i);
    else cares.set(key, { part, kind: care, spreads: [i] });
  });
  return [...cares.values()];
}
