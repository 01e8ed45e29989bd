import type { HookItem } from '../../drawers/index.ts';
import type { PlatformFile } from '../../pattern/index.ts';
import { good, type Outcome } from '../../base/index.ts';
import { onHook } from './onHook.ts';
import { fromPacket } from './packet.ts';
import { shank } from './shank.ts';
import { tube } from './tube.ts';
import type { Platform } from './types.ts';

type Kind = PlatformFile['kind'];

/** Every platform; a new one is one file and one line here. */
const PLATFORMS: { readonly [K in Kind]: (file: Extract<PlatformFile, { kind: K }>) => Outcome<Platform> } = {
  single: onHook,
  double: onHook,
  jig: onHook,
  tube,
  shank,
};
export const PLATFORM_KINDS = Object.keys(PLATFORMS) as Kind[];

/** A platform with its hook, or the one behind it, filled from the packet it names. */
function withPacket(
  file: PlatformFile,
  packets: readonly HookItem[],
): { file: PlatformFile; notes: readonly string[] } {
  if (file.kind !== 'tube' && file.kind !== 'shank') {
    const { hook, notes } = fromPacket(file, packets);
    return { file: hook, notes };
  }
  if (file.hook === undefined) return { file, notes: [] };
  const { hook, notes } = fromPacket(file.hook, packets);
  return { file: { ...file, hook }, notes };
}

function built(file: PlatformFile, packets: readonly HookItem[]): Outcome<Platform> {
  const { file: filled, notes } = withPacket(file, packets);
  const build = PLATFORMS[filled.kind] as (each: PlatformFile) => Outcome<Platform>;
  const read = build(filled);
  return read.ok && notes.length > 0 ? good({ ...read.value, notes }) : read;
}

/** How many platforms are remembered with each set of packets: those of a run of sizes. */
const REMEMBERED = 16;
const known = new WeakMap<readonly HookItem[], Map<string, Outcome<Platform>>>();

/** Builds the platform a file names. The same description is built once, whichever copy says it: it stays while parts are pulled. */
export function layPlatform(file: PlatformFile, packets: readonly HookItem[]): Outcome<Platform> {
  const of = known.get(packets) ?? new Map<string, Outcome<Platform>>();
  known.set(packets, of);
  const key = JSON.stringify(file);
  const laid = of.get(key) ?? built(file, packets);
  of.delete(key);
  of.set(key, laid);
  if (of.size > REMEMBERED) of.delete(of.keys().next().value ?? '');
  return laid;
}
