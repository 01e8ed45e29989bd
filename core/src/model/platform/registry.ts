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

const laid = new WeakMap<PlatformFile, { readonly packets: readonly HookItem[]; readonly built: Outcome<Platform> }>();

/** Builds the platform a file names. The same description is built once: it stays while parts are pulled. */
export function layPlatform(file: PlatformFile, packets: readonly HookItem[]): Outcome<Platform> {
  const known = laid.get(file);
  if (known?.packets === packets) return known.built;
  const { file: filled, notes } = withPacket(file, packets);
  const build = PLATFORMS[filled.kind] as (each: PlatformFile) => Outcome<Platform>;
  const read = build(filled);
  const built = read.ok && notes.length > 0 ? good({ ...read.value, notes }) : read;
  laid.set(file, { packets, built });
  return built;
}
