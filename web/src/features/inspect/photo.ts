import { type LengthFound, type Marks, poseBy, toFly } from '@jobbet/core/photo';
import { type View, screenX, screenY } from '@jobbet/core/drawing';
import type { LaidFly } from '@jobbet/core/model';
import type { Reading, SpecimenFile } from '@jobbet/core/records';

export type Photo = NonNullable<SpecimenFile['photos']>[number];
export type Landmarks = NonNullable<Photo['landmarks']>;

/** From where a fly is photographed. */
export const PHOTO_VIEWS = ['side', 'top', 'front'] as const;
export type PhotoView = (typeof PHOTO_VIEWS)[number];
export const VIEW_WORDS: Readonly<Record<PhotoView, string>> = {
  side: 'from the side',
  top: 'from above',
  front: 'from the front',
};

/** The photograph from somewhere, if there is one. */
export const photoFrom = ({ photos = [] }: SpecimenFile, from: PhotoView): Photo | null =>
  photos.find(({ view }) => view === from) ?? null;

/** The photograph from the side, if there is one. */
export const sideOf = (record: SpecimenFile): Photo | null => photoFrom(record, 'side');

/** What of photographs and plan is shown. */
export type Shown = 'photograph' | 'difference' | 'plan' | 'from above' | 'from the front';

/** Which of its photographs that is. */
export const fromWhere = (shown: Shown): PhotoView =>
  shown === 'from above' ? 'top' : shown === 'from the front' ? 'front' : 'side';

/** What there is to be shown of a fly. */
export const shownOf = (record: SpecimenFile): readonly Shown[] => [
  ...(sideOf(record) ? (['photograph', 'difference'] as const) : []),
  'plan',
  ...(photoFrom(record, 'top') ? (['from above'] as const) : []),
  ...(photoFrom(record, 'front') ? (['from the front'] as const) : []),
];

/** What is shown next of a fly. */
export function afterShown(record: SpecimenFile, shown: Shown): Shown {
  const all = shownOf(record);
  return all[(all.indexOf(shown) + 1) % all.length] ?? 'plan';
}

const isByPhoto = (reading: Reading): boolean => typeof reading === 'object' && reading.by === 'photograph';

/** A record with lengths as a photograph tells them, in the place of those another told before. */
function withLengths(record: SpecimenFile, lengths: readonly LengthFound[], simulated: boolean): SpecimenFile {
  const { lengths: before = {}, ...rest } = record;
  const kept = Object.entries(before).flatMap(([key, readings]) => {
    const others = readings.filter((each) => !isByPhoto(each));
    return others.length > 0 ? [[key, others] as const] : [];
  });
  const next = new Map<string, Reading[]>(kept.map(([key, readings]) => [key, [...readings]]));
  for (const { measure, mm } of lengths) {
    const reading: Reading = {
      value: `${mm.toFixed(1)} mm`,
      by: 'photograph',
      ...(simulated ? { simulated: true } : {}),
    };
    next.set(measure, [...(next.get(measure) ?? []), reading]);
  }
  return next.size === 0 ? rest : { ...rest, lengths: Object.fromEntries(next) };
}

/** A record with a photograph in the place of the one before from there, and with what it tells. */
export function withPhoto(record: SpecimenFile, photo: Photo, lengths: readonly LengthFound[]): SpecimenFile {
  const others = (record.photos ?? []).filter(({ view }) => view !== photo.view);
  const kept = { ...record, photos: [photo, ...others] };
  // Lengths are told from the side alone.
  return photo.view === 'side' ? withLengths(kept, lengths, photo.simulated === true) : kept;
}

/** A record without its photograph from somewhere, nor what it told. */
export function withoutPhoto(record: SpecimenFile, from: PhotoView = 'side'): SpecimenFile {
  const { photos = [], ...rest } = from === 'side' ? withLengths(record, [], false) : record;
  const others = photos.filter(({ view }) => view !== from);
  return others.length === 0 ? rest : { ...rest, photos: others };
}

/** Of what a photograph tells, what the pattern has a measure for: a part's length before its place past the bend. */
export function measuresTold(lengths: readonly LengthFound[], known: ReadonlySet<string>): readonly LengthFound[] {
  const told = lengths.filter(({ measure }) => known.has(measure));
  return told.filter(({ measure }) => {
    const part = measure.split('.')[0] ?? '';
    return measure === part || !told.some((other) => other.measure === part);
  });
}

/** From pixels of a picture to pixels of a view, and back: an affine map. */
export interface OnView {
  /** As CSS takes it: a, b, c, d, e, f. */
  readonly matrix: readonly [number, number, number, number, number, number];
  readonly to: (px: number, py: number) => readonly [number, number];
  readonly from: (x: number, y: number) => readonly [number, number];
}

/** A picture laid on a view of the plan so that eye and bend lie on eye and bend. */
export function onView(marks: Marks, laid: LaidFly, view: View): OnView {
  const pose = poseBy(marks, laid);
  const place = (px: number, py: number): readonly [number, number] => {
    const [x, z] = toFly(pose, px, py);
    return [screenX(view, [x, 0, z]), screenY(view, [x, 0, z])];
  };
  const [e, f] = place(0, 0);
  const [ax, ay] = place(1, 0);
  const [cx, cy] = place(0, 1);
  const [a, b, c, d] = [ax - e, ay - f, cx - e, cy - f];
  const det = a * d - b * c;
  return {
    matrix: [a, b, c, d, e, f],
    to: (px, py) => [a * px + c * py + e, b * px + d * py + f],
    from: (x, y) => [(d * (x - e) - c * (y - f)) / det, (a * (y - f) - b * (x - e)) / det],
  };
}
