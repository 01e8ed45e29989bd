import { type HookItem, NOMINAL_DRAWERS, type Drawers } from '../drawers/index.ts';
import type { FlyFile, HookKeys, PlatformFile } from '../pattern/index.ts';
import { layFly, type LaidFly } from '../model/index.ts';
import { good, type Outcome } from '../base/index.ts';
import { plainRelation, shown } from './plain.ts';
import { relationsOf, withKey, withPart } from './relations.ts';

type Kind = PlatformFile['kind'];
type Body = Extract<PlatformFile, { kind: 'tube' | 'shank' }>;
type OnHook = Exclude<PlatformFile, Body>;
type Behind = NonNullable<Body['hook']>;

const isBody = (platform: PlatformFile): platform is Body => platform.kind === 'tube' || platform.kind === 'shank';

const HOOK_KEYS = [
  'packet',
  'size',
  'longX',
  'heavyX',
  'eye',
  'bend',
  'barb',
  'finish',
  'shank',
  'gap',
  'wire',
] as const;

function hookKeys(from: Readonly<Record<string, unknown>>, leaveOut: readonly string[] = []): HookKeys {
  return Object.fromEntries(
    HOOK_KEYS.filter((key) => from[key] !== undefined && !leaveOut.includes(key)).map((key) => [key, from[key]]),
  );
}

/** A hook of a platform, whether the fly is tied on it or in front of it. */
function hookOf(platform: PlatformFile): { readonly keys: HookKeys; readonly double: boolean } {
  const hook = isBody(platform) ? platform.hook : platform;
  return hook
    ? { keys: hookKeys({ ...hook }), double: hook.kind === 'double' }
    : { keys: { size: '6' }, double: false };
}

function asHook(kind: OnHook['kind'], from: PlatformFile): OnHook {
  const { keys } = hookOf(from);
  const leaveOut = [
    // A jig's eye lies along its bent leg, and only a single is one long curve.
    ...(kind === 'jig' ? ['eye'] : []),
    ...(kind !== 'single' && keys.bend === 'continuous' ? ['bend'] : []),
  ];
  return { kind, ...hookKeys({ ...keys }, leaveOut) };
}

/** The hook goes behind the body: its own shank and length say nothing of the fly any more. */
function asBody(kind: Body['kind'], from: PlatformFile, lengthMm: number): Body {
  const { keys, double } = hookOf(from);
  const hook: Behind = {
    kind: double ? 'double' : 'single',
    ...hookKeys({ ...keys }, isBody(from) ? [] : ['shank', 'longX', 'packet']),
    ride: isBody(from) && from.hook?.ride !== undefined ? from.hook.ride : kind === 'shank' ? 'point-up' : 'point-down',
  };
  const length = isBody(from) ? from.length : `${shown(Math.round(lengthMm))} mm`;
  return isBody(from) && from.hook === undefined ? { kind, length } : { kind, length, hook };
}

/**
 * The platform of another kind that is nearest to this one: a hook keeps its size and make, a tube or shank is as long as the shank was
 * and has the hook behind it.
 * @param lengthMm the shank as it is now
 */
export function asKind(from: PlatformFile, kind: Kind, lengthMm: number): PlatformFile {
  if (from.kind === kind) return from;
  const to = kind === 'tube' || kind === 'shank' ? asBody(kind, from, lengthMm) : asHook(kind, from);
  return from.headSpace === undefined ? to : { ...to, headSpace: from.headSpace };
}

/** A relation that could not follow the fly to another platform, and the measure it was set to instead. */
export interface Left {
  readonly part: string;
  readonly key: string;
  readonly was: string;
  readonly now: string;
  readonly why: string;
}

/** Relations that lean on one another are left one round after the other. */
const ROUNDS = 8;

/**
 * Puts a fly on another platform. Relations stay as they are and take their new measure; one that leans on what the platform has not
 * (the point of a tube without a hook) is set to the measure it had, and told.
 * @returns the fly and what could not follow, or what is wrong with the platform itself
 */
export function changePlatform(
  laid: LaidFly,
  platform: PlatformFile,
  drawers: Drawers = NOMINAL_DRAWERS,
): Outcome<{ readonly file: FlyFile; readonly left: readonly Left[] }> {
  let file: FlyFile = { ...laid.file, platform };
  const left: Left[] = [];
  for (let round = 0; ; round++) {
    const read = layFly(file, drawers);
    if (read.ok) return good({ file, left });
    const next = leaveFaulty(laid, file, read.faults);
    if (next.left.length === 0 || round === ROUNDS) return read;
    file = next.file;
    left.push(...next.left);
  }
}

function leaveFaulty(
  laid: LaidFly,
  file: FlyFile,
  faults: readonly { readonly path: string; readonly message: string }[],
): { readonly file: FlyFile; readonly left: readonly Left[] } {
  const left: Left[] = [];
  let next = file;
  for (const { path, message } of faults) {
    if (path === 'platform.headSpace' && next.platform.headSpace !== undefined) {
      const now = `${shown(laid.headSpaceMm)} mm`;
      left.push({ part: 'hook', key: 'headSpace', was: next.platform.headSpace, now, why: message });
      next = { ...next, platform: { ...next.platform, headSpace: now } };
      continue;
    }
    const at = /^parts\[(\d+)\]\.(.+)$/.exec(path);
    const part = next.parts[Number(at?.[1])];
    const key = at?.[2];
    const relation = part && relationsOf(part).find((each) => each.key === key);
    const reading = laid.parts.find((each) => each.file.id === part?.id)?.extent.readings[key ?? ''];
    if (!part || !relation || !reading) continue;
    const now = plainRelation(relation.type, reading);
    if (now === relation.text) continue;
    left.push({ part: part.id, key: relation.key, was: relation.text, now, why: message });
    next = withPart(next, part.id, (each) => withKey(each, relation.key, now));
  }
  return { file: next, left };
}

/**
 * A hook taken from a packet: its make is written into the fly, so that it opens where the packet is not; measures the fly had of its own
 * go, since they were of another hook.
 */
export function takePacket<H extends HookKeys & { readonly kind: string }>(hook: H, item: HookItem): H {
  const { packet: _packet, shank: _shank, gap: _gap, wire: _wire, ...rest } = hook;
  const { size, longX, heavyX, eye, bend, barb, finish } = item;
  const make = { size, longX, heavyX, eye, bend, barb, finish };
  const said = Object.fromEntries(Object.entries(make).filter(([, value]) => value !== undefined));
  return { ...rest, ...said, packet: item.name } as unknown as H;
}
