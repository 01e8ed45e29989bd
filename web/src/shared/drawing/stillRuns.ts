import type { PaintStep } from '@jobbet/core/drawing';
import { CanvasSurface } from './canvas.ts';

/** A piece of a canvas, px. */
export interface Place {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** The steps of one view, and the piece of the canvas it takes. */
export interface ViewSteps {
  readonly steps: readonly PaintStep[];
  readonly frame: () => Place;
}

interface Run {
  readonly from: number;
  readonly steps: readonly PaintStep[];
  /** The picture of it, null where it leaves no ink; and where it lies, px. */
  readonly image: HTMLCanvasElement | null;
  readonly place: Place;
}

const same = (a: PaintStep | undefined, b: PaintStep | undefined): boolean =>
  a !== undefined && b !== undefined && a.matter === b.matter && a.key === b.key;

/**
 * Paints a fly that is pulled: runs of steps that stay as they are from frame to frame are kept as pictures and laid down whole, so that
 * only what moves is painted anew, and everything still lies over and under everything else as it should.
 */
export class StillRuns {
  private last: readonly ViewSteps[] = [];
  private runs: (readonly Run[])[] = [];

  /** Notes what was painted at rest, so that the first frame of a pull knows what moves. */
  rest(views: readonly ViewSteps[]): void {
    this.last = views;
    this.runs = [];
  }

  /**
   * @param context its transform is the device's pixel ratio
   * @param movingShare share of the fibres drawn of what moves
   */
  paint(
    context: CanvasRenderingContext2D,
    surface: CanvasSurface,
    views: readonly ViewSteps[],
    ratio: number,
    movingShare: number,
  ): void {
    this.runs = views.map((view, v) => this.runsOf(view, v, ratio));
    views.forEach((view, v) => {
      const runs = this.runs[v] ?? [];
      for (let i = 0; i < view.steps.length;) {
        const run = runs.find((each) => each.from === i);
        if (run) {
          if (run.image) context.drawImage(run.image, run.place.left, run.place.top, run.place.width, run.place.height);
          i += run.steps.length;
        } else {
          view.steps[i]?.paint(surface, movingShare);
          i++;
        }
      }
    });
    this.last = views;
  }

  private runsOf(view: ViewSteps, v: number, ratio: number): readonly Run[] {
    const kept = this.runs[v];
    const holds = (run: Run): boolean => run.steps.every((step, i) => same(step, view.steps[run.from + i]));
    if (kept && kept.length > 0 && kept.every(holds)) return kept;
    const before = this.last[v]?.steps ?? [];
    const runs: Run[] = [];
    for (let i = 0; i < view.steps.length; i++) {
      const from = i;
      while (same(view.steps[i], before[i])) i++;
      if (i > from) runs.push({ from, steps: view.steps.slice(from, i), ...this.picture(view, from, i, ratio) });
    }
    return runs;
  }

  private picture(view: ViewSteps, from: number, to: number, ratio: number): Pick<Run, 'image' | 'place'> {
    const frame = view.frame();
    const [width, height] = [Math.round(frame.width * ratio), Math.round(frame.height * ratio)];
    const { image, context } = blank(width, height);
    context?.setTransform(ratio, 0, 0, ratio, -frame.left * ratio, -frame.top * ratio);
    if (context) {
      const surface = new CanvasSurface(context);
      for (const step of view.steps.slice(from, to)) step.paint(surface, 1);
    }
    const used = context && inkOn(image);
    if (!used) return { image: null, place: frame };
    const cut = blank(used.width, used.height);
    cut.context?.drawImage(image, -used.left, -used.top);
    const place = {
      left: frame.left + used.left / ratio,
      top: frame.top + used.top / ratio,
      width: used.width / ratio,
      height: used.height / ratio,
    };
    return { image: cut.image, place };
  }
}

function blank(width: number, height: number) {
  const image = document.createElement('canvas');
  [image.width, image.height] = [width, height];
  return { image, context: image.getContext('2d') };
}

/** How many times smaller a picture is looked over for ink. */
const SMALLER = 8;

/** The piece of a picture that holds all its ink, found on a small copy of it, with room for what is lost there; device px. */
function inkOn(image: HTMLCanvasElement): Place | null {
  const [width, height] = [Math.ceil(image.width / SMALLER), Math.ceil(image.height / SMALLER)];
  const small = document.createElement('canvas');
  [small.width, small.height] = [width, height];
  const context = small.getContext('2d', { willReadFrequently: true });
  if (!context) return null;
  context.imageSmoothingQuality = 'high';
  context.drawImage(image, 0, 0, image.width / SMALLER, image.height / SMALLER);
  const found = inked(context.getImageData(0, 0, width, height));
  if (!found) return null;
  const left = Math.max(0, (found.left - 1) * SMALLER);
  const top = Math.max(0, (found.top - 1) * SMALLER);
  return {
    left,
    top,
    width: Math.min(image.width - left, (found.width + 2) * SMALLER),
    height: Math.min(image.height - top, (found.height + 2) * SMALLER),
  };
}

/** The smallest piece of a picture that holds all its ink, device px; null where there is none. */
export function inked({ data, width, height }: Pick<ImageData, 'data' | 'width' | 'height'>): Place | null {
  let [left, right, top, bottom] = [width, -1, height, -1];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      if (data[4 * (y * width + x) + 3] === 0) continue;
      if (x < left) left = x;
      if (x > right) right = x;
      if (y < top) top = y;
      bottom = y;
    }
  return right < 0 ? null : { left, top, width: right - left + 1, height: bottom - top + 1 };
}
