import type { PartForm, LaidFly } from '../../model/index.ts';
import { flyFigure, partFigure } from './flyFigure.ts';
import type { FlyFigure, PartFigure } from './types.ts';

const SAMPLES = [0, 0.25, 0.5, 0.75, 1];

/** Writes down what a thing looks like: its figures and words, and its curves at a few places along it. */
function note(value: unknown, at: readonly number[], into: (number | string)[]): void {
  if (typeof value === 'number' || typeof value === 'string') into.push(value);
  else if (typeof value === 'boolean') into.push(value ? 1 : 0);
  else if (typeof value === 'function') for (const x of at) note((value as (x: number) => unknown)(x), [], into);
  else if (Array.isArray(value)) {
    into.push(value.length);
    for (const each of value) note(each, at, into);
  } else if (value === null || value === undefined) into.push('-');
  else for (const each of Object.values(value)) note(each, at, into);
}

function likeness(layer: number, forms: readonly PartForm[]): readonly (number | string)[] {
  const into: (number | string)[] = [layer];
  for (const form of forms) {
    const at = 'fromMm' in form ? SAMPLES.map((share) => form.fromMm + share * (form.toMm - form.fromMm)) : [];
    note(form, at, into);
  }
  return into;
}

const alike = (a: readonly (number | string)[], b: readonly (number | string)[]): boolean =>
  a.length === b.length && a.every((each, i) => each === b[i]);

interface Kept {
  readonly likeness: readonly (number | string)[];
  readonly figure: PartFigure;
}

/** Keeps the figures of parts from one drawing of a fly to the next, so that a pull makes anew only what it moves. */
export class FigureCache {
  private kept = new Map<string, Kept>();

  private platform: Kept | null = null;

  /** The figure of a fly; parts and platform that look as they did before are the very same objects. */
  figure(laid: LaidFly): FlyFigure {
    const next: typeof this.kept = new Map();
    const figure = flyFigure(laid, (id, layer, forms) => {
      const now = likeness(layer, forms);
      const known = this.kept.get(id);
      const entry =
        known && alike(known.likeness, now) ? known : { likeness: now, figure: partFigure(id, layer, forms) };
      next.set(id, entry);
      return entry.figure;
    });
    this.kept = next;
    const looks: (number | string)[] = [];
    note([figure.platform.solids, figure.platform.tints], [], looks);
    if (!this.platform || !alike(this.platform.likeness, looks))
      this.platform = { likeness: looks, figure: figure.platform };
    return { ...figure, platform: this.platform.figure };
  }
}
