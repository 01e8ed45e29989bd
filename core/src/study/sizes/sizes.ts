import { sizeSteps } from '../../data/index.ts';
import { asKind } from '../../edit/index.ts';
import type { FlyFile, PlatformFile } from '../../pattern/index.ts';
import { bad, good, type Outcome } from '../../base/index.ts';
import { parseQuantity } from '../../units/index.ts';

type Kind = PlatformFile['kind'];

/** One platform of a run: a hook size on the fly's own platform, or another kind with its size or length. */
export interface RunSize {
  /** As it is written: `4`, `double:6`, `tube:28mm`. */
  readonly text: string;
  readonly kind: Kind | null;
  readonly size: string | null;
  readonly length: string | null;
}

const KINDS: readonly Kind[] = ['single', 'double', 'jig', 'tube', 'shank'];

/** Reads one size of a run. @example readSize('double:6') // { kind: 'double', size: '6', ... } */
export function readSize(written: string): Outcome<RunSize> {
  const text = written.trim();
  const fault = (message: string): Outcome<RunSize> => bad({ path: text, code: 'syntax', message });
  const [head = '', rest] = text.split(':').map((each) => each.trim());
  const kind = KINDS.find((each) => each === head.toLowerCase()) ?? null;
  if (kind === 'tube' || kind === 'shank') {
    const length = parseQuantity('length', rest ?? '');
    if (!length.ok) return fault(`${kind} needs a length, such as ${kind}:28mm`);
    if (length.value <= 2 || length.value > 200) return fault('is no length for a fly: 2 to 200 mm');
    return good({ text, kind, size: null, length: `${String(Math.round(length.value * 100) / 100)} mm` });
  }
  const size = kind === null ? head : (rest ?? '');
  if (kind === null && rest !== undefined) return fault(`"${head}" is none of ${KINDS.join(', ')}`);
  if (sizeSteps(size) === null) return fault(`"${size}" is no hook size; write 8, 2, 1/0 and so on`);
  return good({ text, kind, size, length: null });
}

/** Reads a list of sizes, parted by commas; the same one twice is one. */
export function readSizes(written: string): Outcome<RunSize[]> {
  const reads = written
    .split(',')
    .map((each) => each.trim())
    .filter((each, i, all) => each !== '' && all.indexOf(each) === i)
    .map(readSize);
  const faults = reads.flatMap((read) => (read.ok ? [] : read.faults));
  if (faults.length > 0) return { ok: false, faults };
  if (reads.length === 0) return bad({ path: 'sizes', code: 'missing', message: 'name sizes, such as 4,6,8' });
  return good(reads.flatMap((read) => (read.ok ? [read.value] : [])));
}

/** Keys of a hook that say how one hook measured, which says nothing of another size. */
const MEASURED: ReadonlySet<string> = new Set(['packet', 'shank', 'gap', 'wire']);
const resized = <H extends object>(hook: H, size: string): H =>
  ({ ...Object.fromEntries(Object.entries(hook).filter(([key]) => !MEASURED.has(key))), size }) as unknown as H;

/** The fly's platform in another size or kind. @param shankMm as it is now */
export function platformFor(file: FlyFile, wanted: RunSize, shankMm: number): PlatformFile {
  const from = file.platform;
  // The fly's own size is the hook it is tied on, measured as it was.
  if ((wanted.kind ?? from.kind) === from.kind && 'size' in from && from.size === wanted.size) return from;
  const to = wanted.kind === null ? from : asKind(from, wanted.kind, shankMm);
  if (to.kind === 'tube' || to.kind === 'shank') {
    const length = wanted.length ?? to.length;
    return to.hook && wanted.size !== null ? { ...to, length, hook: resized(to.hook, wanted.size) } : { ...to, length };
  }
  const sized = wanted.size === null ? to : resized(to, wanted.size);
  // Doubles are bought in one length of shank; what a single was of X long says nothing of them.
  return sized.kind === 'double' && from.kind !== 'double' ? { ...sized, longX: undefined } : sized;
}

/** A fly on one size, named: `Slate Runner, double 6`. */
export const nameOf = (file: FlyFile, wanted: RunSize): string =>
  `${file.name}, ${wanted.text.replace(':', ' ')}`.slice(0, 120);
