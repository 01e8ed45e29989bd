import { layFly, type LaidFly, solveFly } from '@jobbet/core/model';
import { readFlyValue, type FlyFile } from '@jobbet/core/pattern';
import { listedOf, summarise } from '@jobbet/core/contract';
import type { ListedFly, SoundFly, StoredFly } from '../src/shared/api/client.ts';

type Loose = Record<string, unknown>;

/** A tail as long as the shank. */
export const TAIL = {
  id: 'tail',
  role: 'tail',
  construction: 'bundle',
  material: 'marabou',
  pinch: '2 mm',
  at: 'bend',
  length: '1 shank',
};

/** A fly file of a tail on a bare hook, changed as told. */
export function fly(more: Loose = {}): FlyFile {
  const read = readFlyValue({
    format: 'jobbet.fly',
    version: 1,
    name: 'Test',
    platform: { kind: 'single', size: '6' },
    parts: [TAIL],
    ...more,
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
}

export function stored(file: FlyFile = fly(), more: Partial<StoredFly> = {}): StoredFly {
  const solved = solveFly(file);
  if (!solved.ok) throw new Error(JSON.stringify(solved.faults));
  return {
    id: 'f1',
    name: file.name,
    revision: 1,
    file,
    summary: summarise(solved.value),
    createdAt: 0,
    updatedAt: 0,
    deletedAt: null,
    ...more,
  };
}

/** A fly as lists have it. */
export function listed(file: FlyFile = fly(), more: Partial<ListedFly> = {}): SoundFly {
  const { file: _file, ...kept } = stored(file);
  return { ...kept, listed: listedOf(file), broken: null, ...more } as SoundFly;
}

/** The fly with its tail so long. */
export const withTail = (length: string): FlyFile => {
  const file = fly();
  return { ...file, parts: file.parts.map((part) => ({ ...part, length }) as typeof part) };
};

/** A fly of some parts, laid out. */
export function laidOf(parts: readonly Loose[], more: Loose = {}): LaidFly {
  const laid = layFly(fly({ parts, ...more }));
  if (!laid.ok) throw new Error(JSON.stringify(laid.faults));
  return laid.value;
}
