import { bad, good, type Fault, type Outcome } from '@jobbet/core/base';
import type { LaidFly } from '@jobbet/core/model';
import { type ViewReport, viewReport } from '@jobbet/core/inspect';
import { type AspectMarks, findAspect, findFly, type PhotoReport, reportPhoto } from '@jobbet/core/photo';
import { MAX_PICTURE_BYTES, readPicture } from '@jobbet/pictures';
import { reasonOf } from './sources.ts';
import type { Terminal } from './terminal.ts';

/** What was asked of a photograph. */
export interface PhotoAsked {
  readonly file: string;
  readonly view: (typeof VIEWS)[number];
  readonly mmPerPx: number | null;
  readonly by: 'shank' | 'gap';
}

const VIEWS = ['side', 'top', 'front'] as const;

/** What a picture from above or from the front tells. */
type AspectReport = ViewReport & {
  readonly landmarks_px: AspectMarks;
  readonly notes: readonly string[];
};
const SCALED_BY = ['shank', 'gap'] as const;

/** The options of a photograph, and what each needs. */
export const PHOTO_OPTIONS = { photo: 'IMAGE', view: 'VIEW', 'mm-per-px': 'NUMBER', by: 'MEASURE' } as const;

const wrong = (message: string): Outcome<never> => bad({ path: '', code: 'syntax', message });

/** What of the options speaks of a photograph; null where none is asked for. */
export function photoAsked(values: ReadonlyMap<string, string>): Outcome<PhotoAsked | null> {
  const file = values.get('photo');
  const others = Object.keys(PHOTO_OPTIONS).filter((name) => name !== 'photo' && values.has(name));
  if (file === undefined)
    return others.length > 0 ? wrong(`--${others[0] ?? ''} speaks of a picture; --photo IMAGE names it`) : good(null);
  if (file === '') return wrong('--photo needs the name of a picture');
  const view = values.get('view') ?? 'side';
  const from = VIEWS.find((each) => each === view);
  if (!from) return wrong(`--view is ${VIEWS.join(', ')}, not "${view}"`);
  const by = SCALED_BY.find((each) => each === (values.get('by') ?? 'shank'));
  if (!by) return wrong(`--by is shank or gap, not "${values.get('by') ?? ''}"`);
  const told = values.get('mm-per-px');
  const mmPerPx = told === undefined ? null : Number(told);
  if (mmPerPx !== null && !(mmPerPx > 0 && mmPerPx < 10))
    return wrong(`--mm-per-px is a number of millimetres, such as 0.04, not "${told ?? ''}"`);
  return good({ file, view: from, mmPerPx, by });
}

/** What a photograph tells of a fly. @returns it, or faults under the picture's name */
export async function photoTold(
  asked: PhotoAsked,
  laid: LaidFly,
  terminal: Terminal,
): Promise<Outcome<PhotoReport | AspectReport>> {
  const named = (faults: readonly Fault[]): Outcome<never> =>
    bad(...faults.map((fault) => ({ ...fault, path: asked.file })));
  let bytes: Uint8Array;
  try {
    bytes = terminal.bytes(asked.file, MAX_PICTURE_BYTES);
  } catch (error) {
    return named([{ path: '', code: 'unknown-name', message: reasonOf(error) }]);
  }
  const picture = await readPicture(bytes);
  if (!picture.ok) return named(picture.faults);
  if (asked.view !== 'side') {
    const seen = findAspect(picture.value, laid, asked.view);
    if (!seen.ok) return named(seen.faults);
    const { landmarks, contour, notes } = seen.value;
    return good({ ...viewReport(asked.view, contour, landmarks, laid), landmarks_px: landmarks, notes });
  }
  const found = findFly(picture.value, laid, { mmPerPx: asked.mmPerPx, by: asked.by });
  return found.ok ? good(reportPhoto(found.value)) : named(found.faults);
}
