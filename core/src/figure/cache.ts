import type { PartForm } from '../parts/forms.ts';
import type { LaidFly } from '../solve/layFly.ts';
import { flyFigure, partFigure } from './flyFigure.ts';
import type { FlyFigure, PartFigure } from './types.ts';

const SAMPLES = [0, 0.25, 0.5, 0.75, 1];

/** What a form looks like, in words: its figures, and its curves at a few places along it. */
const likeness = (form: PartForm): string =>
  JSON.stringify(form, (_key, value: unknown) => {
    if (typeof value !== 'function' || !('fromMm' in form)) return value;
    const curve = value as (x: number) => number;
    return SAMPLES.map((share) => curve(form.fromMm + share * (form.toMm - form.fromMm)));
  });

/** Keeps the figures of parts from one drawing of a fly to the next, so that a pull makes anew only what it moves. */
export class FigureCache {
  private kept = new Map<string, { readonly likeness: string; readonly figure: PartFigure }>();

  /** The figure of a fly; parts that look as they did before are the very same objects. */
  figure(laid: LaidFly): FlyFigure {
    const next: typeof this.kept = new Map();
    const figure = flyFigure(laid, (id, layer, forms) => {
      const now = [layer, ...forms.map(likeness)].join();
      const known = this.kept.get(id);
      const entry = known?.likeness === now ? known : { likeness: now, figure: partFigure(id, layer, forms) };
      next.set(id, entry);
      return entry.figure;
    });
    this.kept = next;
    return figure;
  }
}
