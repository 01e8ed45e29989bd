import { bad, good, type Fault, type Outcome } from '@jobbet/core/base';
import type { LaidFly } from '@jobbet/core/model';
import { findFly, type PhotoReport, reportPhoto } from '@jobbet/core/photo';
import { MAX_PICTURE_BYTES, readPicture } from '@jobbet/pictures';
import { reasonOf } from './sources.ts';
import type { Terminal } from './terminal.ts';

/** What was asked of a photograph. */
export interface PhotoAsked {
  readonly file: string;
  readonly mmPerPx: number | null;
  readonly by: 'shank' | 'gap';
}

const VIEWS = ['side'] as const;
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
  if (!VIEWS.some((each) => each === view)) return wrong(`--view is side, not "${view}"`);
  const by = SCALED_BY.find((each) => each === (values.get('by') ?? 'shank'));
  if (!by) return wrong(`--by is shank or gap, not "${values.get('by') ?? ''}"`);
  const told = values.get('mm-per-px');
  const mmPerPx = told === undefined ? null : Number(told);
  if (mmPerPx !== null && !(mmPerPx > 0 && mmPerPx < 10))
    return wrong(`--mm-per-px is a number of millimetres, such as 0.04, not "${told ?? ''}"`);
  return good({ file, mmPerPx, by });
}

/** What a photograph tells of a fly. @returns it, or faults under the picture's name */
export async function photoTold(asked: PhotoAsked, laid: LaidFly, terminal: Terminal): Promise<Outcome<PhotoReport>> {
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
  const found = findFly(picture.value, laid, { mmPerPx: asked.mmPerPx, by: asked.by });
  return found.ok ? good(reportPhoto(found.value)) : named(found.faults);
}
