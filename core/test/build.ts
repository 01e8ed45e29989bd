import { layFly, type LaidFly, type LaidPart } from '../src/model/solve/layFly.ts';
import { readFlyValue } from '../src/pattern/read.ts';
import type { FlyFile } from '../src/pattern/schema.ts';
import { faultLine } from '../src/base/fault.ts';

type Loose = Record<string, unknown>;

/** A fly file on a size 6 3X-long hook with the parts given, everything else left out. */
export function fly(parts: readonly Loose[], more: Loose = {}): FlyFile {
  const read = readFlyValue({
    format: 'jobbet.fly',
    version: 1,
    name: 'Test',
    platform: { kind: 'single', size: '6', longX: 3 },
    parts,
    ...more,
  });
  if (!read.ok) throw new Error(read.faults.map(faultLine).join('\n'));
  return read.value;
}

/** Lays a fly out or fails with its faults. */
export function laid(parts: readonly Loose[], more: Loose = {}): LaidFly {
  const result = layFly(fly(parts, more));
  if (!result.ok) throw new Error(result.faults.map(faultLine).join('\n'));
  return result.value;
}

/** The faults of a fly that should have some, one line each. */
export function faultsOf(parts: readonly Loose[], more: Loose = {}): string[] {
  const read = readFlyValue({
    format: 'jobbet.fly',
    version: 1,
    name: 'Test',
    platform: { kind: 'single', size: '6', longX: 3 },
    parts,
    ...more,
  });
  const result = read.ok ? layFly(read.value) : read;
  return result.ok ? [] : result.faults.map(faultLine);
}

export function partIn(laidFly: LaidFly, id: string): LaidPart {
  const part = laidFly.parts.find((each) => each.file.id === id);
  if (!part) throw new Error(`no part ${id}`);
  return part;
}

export const tail = (more: Loose = {}): Loose => ({
  id: 'tail',
  role: 'tail',
  construction: 'bundle',
  material: 'marabou',
  pinch: '2.5 mm',
  at: 'bend',
  length: '1 shank',
  ...more,
});
export const eyes = (more: Loose = {}): Loose => ({
  id: 'eyes',
  role: 'eyes',
  construction: 'ball',
  shape: 'dumbbell',
  material: 'brass',
  diameter: '4 mm',
  at: 'station 2',
  side: 'top',
  ...more,
});
export const body = (more: Loose = {}): Loose => ({
  id: 'body',
  role: 'body',
  construction: 'wrap',
  material: 'chenille',
  diameter: '4 mm',
  from: 'bend',
  to: 'station 3',
  ...more,
});
export const spunHead = (more: Loose = {}): Loose => ({
  id: 'hair',
  role: 'head',
  construction: 'spun',
  material: 'deer hair',
  diameter: '9 mm',
  from: 'eye + 1 mm',
  to: 'station 4',
  ...more,
});
export const feathers = (more: Loose = {}): Loose => ({
  id: 'feathers',
  role: 'wing',
  construction: 'feather',
  form: 'pair',
  at: 'head',
  width: '6 mm',
  length: '1.3 shank',
  ...more,
});
export const sheet = (more: Loose = {}): Loose => ({
  id: 'case',
  role: 'case',
  construction: 'sheet',
  material: 'foam',
  width: '5 mm',
  thickness: '1 mm',
  from: 'head',
  to: 'station 5',
  ...more,
});
export const rib = (more: Loose = {}): Loose => ({
  id: 'rib',
  role: 'rib',
  construction: 'wrap',
  material: 'copper',
  strand: '0.2 mm',
  turns: 5,
  from: 'bend',
  to: 'station 3',
  ...more,
});
export const weightWire = (more: Loose = {}): Loose => ({
  id: 'weight',
  role: 'underbody',
  construction: 'wrap',
  material: 'lead-free wire',
  strand: '.020 in',
  turns: 8,
  from: 'station 3',
  ...more,
});
/** A part without the keys named. */
export const without = (part: Loose, ...keys: string[]): Loose =>
  Object.fromEntries(Object.entries(part).filter(([key]) => !keys.includes(key)));

export const wing = (more: Loose = {}): Loose => ({
  id: 'wing',
  role: 'wing',
  construction: 'bundle',
  material: 'fox hair',
  pinch: '2.5 mm',
  at: 'head',
  length: '1.3 shank',
  ...more,
});
export const strip = (more: Loose = {}): Loose => ({
  id: 'strip',
  role: 'wing',
  construction: 'strip',
  material: 'rabbit strip',
  width: '4 mm',
  at: 'bend',
  length: '40 mm',
  ...more,
});
export const collar = (more: Loose = {}): Loose => ({
  id: 'collar',
  role: 'collar',
  construction: 'hackle',
  style: 'collar',
  material: 'hen',
  at: 'head',
  fibre: '1.2 gap',
  turns: 3,
  ...more,
});
/** A hackle wound along the body from the rear. */
export const palmer = (more: Loose = {}): Loose => ({
  id: 'palmer',
  role: 'hackle',
  construction: 'hackle',
  style: 'palmer',
  material: 'saddle',
  fibre: '1 gap',
  from: 'bend',
  to: 'station 3',
  turns: 6,
  ...more,
});
