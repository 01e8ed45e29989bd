import { DOSES } from '../../data/index.ts';
import type { Drawers } from '../../drawers/index.ts';
import { withKey } from '../../edit/index.ts';
import { type Part, type FlyFile, parseLength } from '../../pattern/index.ts';
import { type Askew, layFly, type LaidFly, type LaidPart } from '../../model/index.ts';
import type { Outcome } from '../../base/index.ts';
import type { SpreadKind } from './spreads.ts';

/** How far one thing came out off what was meant, in the unit of its kind. */
export interface Deviation {
  /** Null for the hook. */
  readonly part: string | null;
  readonly kind: SpreadKind;
  readonly off: number;
}

const LEAST_MM = 0.01;
const mmText = (mm: number): string => `${Math.max(LEAST_MM, mm).toFixed(4)} mm`;

/** A relation with so many mm more, so that what leans on it follows. */
const more = (text: string, mm: number): string => `${text} ${mm < 0 ? '-' : '+'} ${Math.abs(mm).toFixed(4)} mm`;

function longer(text: string, nowMm: number, byMm: number): string {
  const read = parseLength(text);
  if (!read.ok) return text;
  const { tree } = read.relation;
  if (tree.form === 'sum') return more(text, byMm);
  return tree.form === 'same-as' ? more(`1 ${tree.id}`, byMm) : mmText(nowMm + byMm);
}

function lengthened(part: Part, { extent }: LaidPart, share: number): Part {
  const byMm = share * extent.lengthMm;
  const written = part as Readonly<Record<string, unknown>>;
  for (const key of ['length', 'fibre'])
    if (typeof written[key] === 'string')
      return withKey(part, key, longer(written[key], extent.readings[key]?.mm ?? extent.lengthMm, byMm));
  const reach = extent.tipMm === null ? 0 : extent.tipMm - extent.endMm;
  return typeof written['tip'] === 'string' ? withKey(part, 'tip', more(written['tip'], share * reach)) : part;
}

function scaled(part: Part, { extent }: LaidPart, key: string, share: number): Part {
  const text = (part as Readonly<Record<string, unknown>>)[key];
  const now = extent.lengths[key]?.mm;
  return typeof text === 'string' && now !== undefined ? withKey(part, key, mmText(now * (1 + share))) : part;
}

function withAmount(part: Part, laid: LaidPart, share: number): Part {
  if (part.construction !== 'bundle') return part;
  const now = laid.extent.lengths['pinch']?.mm ?? DOSES[part.dose?.toLowerCase() ?? '']?.pinchMm ?? 0;
  return withKey(withKey(part, 'dose', undefined), 'pinch', mmText(now * (1 + share)));
}

/** A part as it came out; what the file cannot say (a turn about the shank, uneven halves) is left to `askewOf`. */
function deviantPart(part: Part, laid: LaidPart, { kind, off }: Deviation, shankMm: number): Part {
  switch (kind) {
    case 'along':
      return part.construction === 'ball' && part.at !== undefined
        ? withKey(part, 'at', more(part.at, off * shankMm))
        : part;
    case 'length':
      return lengthened(part, laid, off);
    case 'width':
      return scaled(
        part,
        laid,
        part.construction === 'wrap' || part.construction === 'spun' ? 'diameter' : 'width',
        off,
      );
    case 'amount':
      return withAmount(part, laid, off);
    case 'turns':
      return withKey(part, 'turns', Math.max(0.1, (laid.built.turns ?? 0) + off));
    case 'mass':
      return withKey(part, 'mass', `${(laid.massMg * (1 + off)).toFixed(4)} mg`);
    case 'wire':
      return scaled(part, laid, 'strand', off);
    case 'roll':
    case 'split':
      return part;
  }
}

function deviantHook(file: FlyFile, wireMm: number, off: number): FlyFile {
  const wire = mmText(wireMm * (1 + off));
  const { platform } = file;
  if (platform.kind === 'tube' || platform.kind === 'shank')
    return platform.hook ? { ...file, platform: { ...platform, hook: { ...platform.hook, wire } } } : file;
  return { ...file, platform: { ...platform, wire } };
}

const EVEN: Askew = { rollDeg: 0, split: 0 };

function askewOf(deviations: readonly Deviation[]): Map<string, Askew> {
  const askew = new Map<string, Askew>();
  for (const { part, kind, off } of deviations) {
    if (part === null) continue;
    const now = askew.get(part) ?? EVEN;
    if (kind === 'roll') askew.set(part, { ...now, rollDeg: now.rollDeg + off });
    if (kind === 'split') askew.set(part, { ...now, split: now.split + off });
  }
  return askew;
}

/**
 * A fly as it came out: laid with some things off what was meant. Lengths that lean on one that is off follow it, as they do at the vise.
 * @param laid the fly as meant
 */
export function layDeviant(laid: LaidFly, drawers: Drawers, deviations: readonly Deviation[]): Outcome<LaidFly> {
  const { file, platform } = laid;
  const off = deviations.filter((each) => each.off !== 0);
  const hook = off.find((each) => each.part === null);
  const wired = hook && platform.wireMm !== null ? deviantHook(file, platform.wireMm, hook.off) : file;
  const parts = laid.parts.map((part) =>
    off
      .filter((each) => each.part === part.file.id)
      .reduce((now, each) => deviantPart(now, part, each, platform.shankMm), part.file),
  );
  return layFly({ ...wired, parts }, drawers, askewOf(off));
}
