import type { FlyFile } from '../pattern/index.ts';

/** What a new fly is tied on until something else is chosen. */
export const NEW_PLATFORM: FlyFile['platform'] = {
  kind: 'single',
  size: '6',
  longX: 3,
  eye: 'straight',
  bend: 'round',
  barb: 'pinched',
};

/** A new fly: a bare hook and thread, and nothing tied in. */
export function newFly(name: string, platform: FlyFile['platform'] = NEW_PLATFORM): FlyFile {
  return {
    format: 'jobbet.fly',
    version: 1,
    name,
    platform,
    thread: { denier: 140, colour: 'black' },
    head: 'neat',
    parts: [],
  };
}
