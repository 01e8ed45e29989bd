import { HEAD_SPACE } from '../../data/index.ts';
import {
  type FlyFile,
  parseLength,
  solveMeasures,
  type MeasuredPart,
  type MeasureFrame,
  type MeasureResult,
  type PartExtent,
} from '../../pattern/index.ts';
import type { Platform } from '../platform/types.ts';
import { withUsualButts } from './usualButts.ts';
import { bad, good, type Outcome } from '../../base/index.ts';

function frameOf(file: FlyFile, platform: Platform, defaultHeadSpaceMm: number): Outcome<MeasureFrame> {
  const text = file.platform.headSpace;
  const headSpace = text === undefined ? null : parseLength(text);
  if (headSpace && !headSpace.ok) return bad({ ...headSpace.fault, path: 'platform.headSpace' });
  const { landmarksMm, shankMm, gapMm, wireMm, hookMm } = platform;
  return good({
    landmarksMm,
    lengthsMm: { shank: shankMm, gap: gapMm, wire: wireMm, hook: hookMm },
    platform: `a ${platform.kind}`,
    roundX: (mm) => platform.alongWire(mm).x,
    headSpace: headSpace?.relation ?? null,
    defaultHeadSpaceMm,
    beadId:
      file.parts.find((part) => part.construction === 'ball' && (part.shape === 'bead' || part.shape === 'cone'))?.id ??
      null,
  });
}

/** True where a hide is bound in front of the eyes, which wants more head space. */
function hideBeforeEyes(file: FlyFile, extents: ReadonlyMap<string, PartExtent>): boolean {
  const of = (id: string): PartExtent | undefined => extents.get(id.toLowerCase());
  const eyes = file.parts
    .filter((part) => part.construction === 'ball' && part.role === 'eyes')
    .map((part) => of(part.id)?.startMm ?? -Infinity);
  const hides = file.parts
    .filter((part) => part.construction === 'strip')
    .flatMap((part) => of(part.id)?.bindingsMm ?? []);
  return eyes.some((eye) => hides.some((hide) => hide < eye));
}

/** Solves all lengths and places; where hide turns out to be bound in front of the eyes, once more with the head space that wants. */
export function measureParts(
  file: FlyFile,
  platform: Platform,
  parts: readonly MeasuredPart[],
  unread: ReadonlySet<string>,
): Outcome<MeasureResult> {
  const usual = Math.max(HEAD_SPACE.leastMm, HEAD_SPACE.ofShank * platform.shankMm);
  const frame = frameOf(file, platform, usual);
  if (!frame.ok) return frame;
  const first = solveMeasures(frame.value, parts, unread);
  if (frame.value.headSpace || !hideBeforeEyes(file, first.extents)) return good(withUsualButts(file, first));
  const roomier = {
    ...frame.value,
    defaultHeadSpaceMm: Math.max(usual, HEAD_SPACE.underHideOfShank * platform.shankMm),
  };
  return good(withUsualButts(file, solveMeasures(roomier, parts, unread)));
}
