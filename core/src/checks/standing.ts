import type { School, SlotName } from '../data/index.ts';
import type { Drawers } from '../drawers/index.ts';
import { withKey, withPart } from '../edit/index.ts';
import { type Part, type FlyFile, parseLength, parsePosition, type Reading } from '../pattern/index.ts';
import { layFly, type LaidFly, type LaidPart } from '../model/index.ts';

const BY_ROLE: readonly SlotName[] = ['tail', 'throat', 'underwing', 'wing', 'overwing', 'legs', 'body', 'collar'];

/** A tail is short where it is told by the gap, or lies along one half as long again. */
const SHORT_OF = 1.5;

function isShortTail({ file, extent }: LaidPart, laid: LaidFly): boolean {
  if (file.role !== 'tail' || !('length' in file || 'tip' in file)) return false;
  const told = ('length' in file ? file.length : undefined) ?? '';
  const longer = laid.parts.some(
    (other) => other.file.role === 'tail' && other.extent.lengthMm >= SHORT_OF * extent.lengthMm,
  );
  // Where gap and another measure both tell it, it is no mere tip.
  return longer || (/\bgap\b/.test(told) && !/\b(shank|body)\b/.test(told));
}

/** A collar wound in front of another. */
const isOuterCollar = (part: LaidPart, laid: LaidFly): boolean =>
  laid.parts.some(
    (other) => other !== part && plainSlot(other.file) === 'collar' && other.extent.startMm > part.extent.startMm,
  );

/** The slot of a school that speaks of a part as it lies on its fly; null for one it says nothing of. */
export function slotOf(part: LaidPart, laid: LaidFly): SlotName | null {
  const slot = plainSlot(part.file);
  if (slot === 'tail' && isShortTail(part, laid)) return 'shortTail';
  return slot === 'collar' && isOuterCollar(part, laid) ? 'outerCollar' : slot;
}

/** The slot by what a part is, whatever else is on the fly. */
function plainSlot(part: Part): SlotName | null {
  if (part.construction === 'strip')
    return part.role === 'tail' || part.role === 'wing' ? 'strip' : part.role === 'overwing' ? 'overwing' : null;
  if (part.construction === 'hackle') {
    if (part.style === 'palmer' || part.from !== undefined) return 'palmer';
    return part.style === 'throat' ? null : 'collar';
  }
  if (part.construction === 'wrap') return part.role === 'body' ? 'body' : null;
  if (part.construction !== 'bundle' && part.construction !== 'feather') return null;
  // A low roof over the back is no wing that is set up.
  if (part.construction === 'feather' && part.lie === 'tented' && part.role === 'overwing') return 'roof';
  return BY_ROLE.find((slot) => slot === part.role && slot !== 'body' && slot !== 'collar') ?? null;
}

/** The keys of a part a rule may stand in: the ones it has first. */
function keysOf(part: Part, slot: SlotName): readonly string[] {
  if (slot === 'body') return ['from'];
  if (slot === 'palmer' || slot === 'collar' || slot === 'outerCollar') return ['fibre'];
  return 'tip' in part && part.tip !== undefined ? ['tip', 'length'] : ['length', 'tip'];
}

const reads = (key: string, text: string): boolean =>
  key === 'tip' || key === 'from' ? parsePosition(text).ok : parseLength(text).ok && !parsePosition(text).ok;

/** What a school says of one part, and how the part stands to it. Lengths and places mm. */
export interface Standing {
  readonly slot: SlotName;
  readonly key: string;
  /** The rule as it would stand in the file. */
  readonly rule: string;
  readonly why: string;
  /** Whether the part's own words are the rule's. */
  readonly follows: boolean;
  readonly lowMm: number;
  readonly targetMm: number;
  readonly highMm: number;
  readonly valueMm: number;
  readonly within: boolean;
  /** The fly with the part told by the rule. */
  readonly file: FlyFile;
}

/** A rule without a band still leaves a tier's hand some play. */
const PLAY = { share: 0.05, mm: 1 };

const plain = (text: string): string => text.toLowerCase().replace(/\s+/g, ' ').trim();

/** The value a relation comes to in the terms of another: a tip's place for a place, a free length for a length. */
function valueOf(part: LaidPart, key: string, reading: Reading | undefined): number | null {
  if (key === 'tip') return part.extent.tipMm;
  if (key === 'from') return Math.max(part.extent.startMm, part.extent.endMm);
  return reading?.mm ?? part.extent.lengthMm + ribBoundMm(part);
}

/** mm of a wing that a rib binds down along the body: it is as long as it is, bound part and free. */
function ribBoundMm({ file, extent }: LaidPart): number {
  const byRib = (file.construction === 'strip' || file.construction === 'feather') && file.boundBy !== undefined;
  return byRib && extent.bindingsMm.length > 1 ? Math.max(...extent.bindingsMm) - Math.min(...extent.bindingsMm) : 0;
}

/** How a part stands to its school; null where the school says nothing of it, or what it says leans on what is not on the fly. */
export function standing(laid: LaidFly, id: string, school: School, drawers: Drawers): Standing | null {
  const part = laid.parts.find((each) => each.file.id === id);
  const slot = part ? slotOf(part, laid) : null;
  const rules = slot ? school[slot]?.split(' or ') : undefined;
  if (!part || !slot || !rules) return null;
  const fields = part.file as unknown as Readonly<Record<string, unknown>>;
  for (const key of keysOf(part.file, slot))
    for (const rule of rules.filter((each) => reads(key, each))) {
      const file = withPart(laid.file, id, (each) =>
        withKey(
          key === 'length'
            ? withKey(each, 'tip', undefined)
            : key === 'tip'
              ? withKey(each, 'length', undefined)
              : each,
          key,
          rule,
        ),
      );
      const ruled = layFly(file, drawers);
      const reading = ruled.ok
        ? ruled.value.parts.find((each) => each.file.id === id)?.extent.readings[key]
        : undefined;
      const valueMm = valueOf(part, key, part.extent.readings[key]);
      if (!reading || valueMm === null) continue;
      const play = reading.high > reading.low ? 0 : Math.max(PLAY.mm, PLAY.share * Math.abs(reading.mm));
      const [lowMm, highMm] = [reading.low - play, reading.high + play];
      return {
        slot,
        key,
        rule,
        why: school[`${slot}Why`] ?? school.means,
        follows: typeof fields[key] === 'string' && plain(fields[key]) === plain(rule),
        lowMm,
        targetMm: reading.mm,
        highMm,
        valueMm,
        within: valueMm >= lowMm - 1e-6 && valueMm <= highMm + 1e-6,
        file,
      };
    }
  return null;
}

/** The fly with every part told by its school again that the school speaks of. @returns what was changed, by part */
export function followAll(
  laid: LaidFly,
  school: School,
  drawers: Drawers,
): { readonly file: FlyFile; readonly changed: readonly string[] } {
  let now = laid;
  const changed: string[] = [];
  for (const { file } of laid.parts) {
    const at = standing(now, file.id, school, drawers);
    if (!at || at.follows) continue;
    const next = layFly(at.file, drawers);
    if (!next.ok) continue;
    now = next.value;
    changed.push(file.id);
  }
  return { file: now.file, changed };
}
