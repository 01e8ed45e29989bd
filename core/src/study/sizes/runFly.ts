import { NOMINAL_DRAWERS, type Drawers } from '../../drawers/index.ts';
import { changePlatform, type Left, withKey, withPart } from '../../edit/index.ts';
import type { FlyFile } from '../../pattern/index.ts';
import { bad, good, type Outcome } from '../../base/index.ts';
import { layFly, type LaidFly, settleFly, type SolvedFly } from '../../model/index.ts';
import { holdFor, withPins, type Pin } from './pins.ts';
import { nameOf, platformFor, type RunSize } from './sizes.ts';
import { HOLDS, isPlain, takeWeight, weightOf, type Hold, type WeightTaken } from './weight.ts';

export { HOLDS, type Hold, type WeightTaken } from './weight.ts';

/** A fly on one size of a run. */
export interface RunFly {
  readonly size: RunSize;
  readonly file: FlyFile;
  readonly solved: SolvedFly;
  /** The weight as it was taken; null where nothing is scaled. */
  readonly weight: WeightTaken | null;
  readonly left: readonly Left[];
  /** What did not scale, and what that brings. */
  readonly notes: readonly string[];
}

/** Turns of a weight wire keep their share of the shank. */
function withTurns(file: FlyFile, share: number): FlyFile {
  return file.parts.reduce((now, part) => {
    if (part.construction !== 'wrap' || part.role !== 'underbody' || part.turns === undefined) return now;
    return withPart(now, part.id, (each) => withKey(each, 'turns', Math.max(1, Math.round((part.turns ?? 1) * share))));
  }, file);
}

/** Shanks that differ by less than this share are of one size. */
const SAME_SIZE = 0.01;

/** What stays as thick and as much as it was while the hook does not, and what no longer goes together. */
function notesOf(own: LaidFly, laid: LaidFly): string[] {
  const notes: string[] = [];
  const wire = laid.platform.wireMm;
  for (const part of laid.parts) {
    const bore = part.extent.lengths['bore']?.mm;
    if (bore !== undefined && wire !== null && bore < wire)
      notes.push(`the bore of ${part.file.id} (${bore.toFixed(1)} mm) does not pass the wire (${wire.toFixed(2)} mm)`);
  }
  if (Math.abs(laid.platform.shankMm / own.platform.shankMm - 1) <= SAME_SIZE) return notes;
  const named = (holds: (part: LaidFly['file']['parts'][number]) => boolean): string[] =>
    laid.file.parts.filter(holds).map((part) => part.id);
  const wound = named((part) => part.construction === 'wrap' && isPlain(part.diameter));
  notes.push(`as thick as before: ${['thread', 'each hair and fibre', ...wound].join(', ')}`);
  const amounts = named(
    (part) =>
      part.construction === 'bundle' && (part.strands !== undefined || part.dose !== undefined || isPlain(part.pinch)),
  );
  if (amounts.length > 0) notes.push(`as much as before: ${amounts.join(', ')}`);
  return notes;
}

interface Moved {
  readonly laid: LaidFly;
  readonly left: readonly Left[];
  /** Whether its weight may be taken in another size: no pin holds it. */
  readonly free: boolean;
}

/** The fly on another hook with its pins, its weight still as it was; null where the size is the fly's own. */
function move(own: LaidFly, size: RunSize, drawers: Drawers, pins: readonly Pin[]): Outcome<Moved> | null {
  const platform = platformFor(own.file, size, own.platform.shankMm);
  if (JSON.stringify(platform) === JSON.stringify(own.file.platform)) return null;
  const changed = changePlatform(own, platform, drawers);
  if (!changed.ok) return changed;
  const named = { ...changed.value.file, name: nameOf(own.file, size) };
  const bare = layFly(named, drawers);
  if (!bare.ok) return bare;
  const turned = withTurns(named, bare.value.platform.shankMm / own.platform.shankMm);
  const pinned = withPins(layFly(turned, drawers).ok ? turned : named, pins);
  if (!pinned.ok) return pinned;
  const laid = layFly(pinned.value, drawers);
  const heavy = weightOf(own)?.file.id;
  const free = !pins.some((pin) => pin.part !== null && pin.part === heavy && pin.key === 'diameter');
  return laid.ok ? good({ laid: laid.value, left: changed.value.left, free }) : laid;
}

/**
 * The fly on one size.
 * @param own the fly as it is, laid out
 * @param pins what of this size does not follow the run; the fly's own size takes none, since it is the fly itself
 */
export function runOne(
  own: LaidFly,
  size: RunSize,
  hold: Hold,
  drawers: Drawers = NOMINAL_DRAWERS,
  pins: readonly Pin[] = [],
): Outcome<RunFly> {
  const moved = move(own, size, drawers, pins);
  if (!moved) return good({ size, file: own.file, solved: settleFly(own), weight: null, left: [], notes: [] });
  if (!moved.ok) return bad(...moved.faults.map((fault) => ({ ...fault, path: `${size.text}: ${fault.path}` })));
  const { laid: before, left, free } = moved.value;
  const { laid, weight } = free
    ? takeWeight(own, before, drawers, holdFor(pins, hold))
    : { laid: before, weight: null };
  return good({ size, file: laid.file, solved: settleFly(laid), weight, left, notes: notesOf(own, laid) });
}

/** The weight each way of holding would take on one size; null where there is none to take. */
export function weightsOf(
  own: LaidFly,
  size: RunSize,
  drawers: Drawers = NOMINAL_DRAWERS,
  pins: readonly Pin[] = [],
): Readonly<Record<Hold, WeightTaken>> | null {
  const moved = move(own, size, drawers, pins);
  if (!moved?.ok || !moved.value.free) return null;
  const taken = HOLDS.map((hold) => [hold, takeWeight(own, moved.value.laid, drawers, hold).weight] as const);
  return taken.every(([, weight]) => weight !== null) ? (Object.fromEntries(taken) as Record<Hold, WeightTaken>) : null;
}

/** The fly on every size asked for, or the faults of all of them. */
export function runFly(
  file: FlyFile,
  sizes: readonly RunSize[],
  hold: Hold = 'shape',
  drawers: Drawers = NOMINAL_DRAWERS,
  pins: readonly Pin[] = [],
): Outcome<RunFly[]> {
  const own = layFly(file, drawers);
  if (!own.ok) return own;
  const runs = sizes.map((size) =>
    runOne(
      own.value,
      size,
      hold,
      drawers,
      pins.filter((pin) => pin.size === size.text),
    ),
  );
  const faults = runs.flatMap((run) => (run.ok ? [] : run.faults));
  return faults.length > 0 ? { ok: false, faults } : good(runs.flatMap((run) => (run.ok ? [run.value] : [])));
}
