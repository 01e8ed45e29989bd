import { FigureCache, paintFly, type Surface, fitView, type Hand, type View, type ViewName } from '../drawing/index.ts';
import { boundsOf, reachOf, type Bounds, type LaidFly } from '../model/index.ts';
import { WITH_BED, type Beside, type Step } from './step.ts';

/** How a stage is looked at. */
export interface StageLook {
  readonly hand: Hand;
  readonly view?: ViewName;
  /** Seen from the far side. */
  readonly far?: boolean;
  /** With the hook turned over, as it is for what is tied in on the point side. */
  readonly turned?: boolean;
  /** The fly as far as it is tied, where that is to fill the frame and not the whole one. */
  readonly of?: LaidFly;
  /** The part that is looked at closely. */
  readonly part?: string | null;
}

/** Bare surface across and down, px. */
const BARE = [12, 8] as const;

/** A part is looked at closer than the whole fly by no more than so many times: what is round it is still known. */
const CLOSEST = 2.2;

/** A reach made so much longer and taller about its middle. */
function widened({ front, rear, top, bottom, aside }: Bounds, by: number): Bounds {
  const [long, tall] = [((rear - front) * (by - 1)) / 2, ((top - bottom) * (by - 1)) / 2];
  return { front: front - long, rear: rear + long, top: top + tall, bottom: bottom - tall, aside: aside * by };
}

/**
 * The view of a stage that fills a frame: on the scale of the whole fly, or as large as what is to be seen of it allows.
 * @param width, height of the frame, px
 */
export function stageView(laid: LaidFly, width: number, height: number, look: StageLook): View {
  const { hand, view = 'profile', far = false, turned = false, of = laid, part = null } = look;
  // From the far side the fly is seen as the other hand has it.
  const looking: Hand = far ? (hand === 'right' ? 'left' : 'right') : hand;
  const fit = (bounds: Bounds): View =>
    fitView(bounds, { width, height, bare: BARE, hand: looking, name: view, turned });
  const whole = fit(boundsOf(of.sections, of.platform.landmarksMm.rear));
  const owner = of.parts.find((each) => each.file.id === part)?.built.id;
  const reach = owner === undefined ? null : reachOf(of.sections.filter((section) => section.owner === owner));
  if (!reach) return whole;
  const close = fit(reach);
  const by = close.scale / (CLOSEST * whole.scale);
  // Never smaller than the whole: a part that is as long as the fly is seen with it.
  return close.scale <= whole.scale ? whole : by > 1 ? fit(widened(reach, by)) : close;
}

const PAPER = { mode: 'dressed', ink: '#0f1e1f', sheet: '#ffffff', dark: false } as const;
/** A stage on paper is so small that a part of its fibres shows the fly. */
const FIBRES_SHOWN = 0.3;

/** Paints the fly as it is after each step, on white; what two steps share is made once. */
export class StagePainter {
  private readonly laid: LaidFly;
  private readonly hand: Hand;
  private readonly figures = new FigureCache();

  constructor(laid: LaidFly, hand: Hand) {
    this.laid = laid;
    this.hand = hand;
  }

  /** The whole fly: paper cuts nothing off at a frame. @param width, height of the frame, px of the surface */
  paint(surface: Surface, step: Step, width: number, height: number): void {
    const stage = stageOf(this.laid, step.drawn, step.beside);
    const view = stageView(this.laid, width, height, { hand: this.hand, turned: step.turned });
    paintFly(surface, this.figures.figure(stage), view, { ...PAPER, share: FIBRES_SHOWN, sections: stage.sections });
  }
}

/** The thread as far as it is on: none of it, the bed behind the room that is left for the head, or all. */
function threadOn({ thread, headMm }: LaidFly, on: Beside['thread']): LaidFly['thread'] {
  if (on === 'head') return thread;
  const shortened = <T extends { readonly fromMm: number }>(of: T): T => ({
    ...of,
    fromMm: Math.max(of.fromMm, headMm),
  });
  return {
    ...thread,
    headMm: null,
    forms:
      on === 'none'
        ? []
        : thread.forms.flatMap((form) => (form.kind === 'thread' && !form.head ? [shortened(form)] : [])),
    sections: on === 'none' ? [] : thread.sections.filter(({ owner }) => owner !== 'head').map(shortened),
  };
}

/** The platform as it is in the vise: the barb up or pressed down, without what is hung behind it later. */
function platformOn(platform: LaidFly['platform'], { barbUp, trails }: Beside): LaidFly['platform'] {
  const off = platform.trails.filter((trail) => !trails.includes(trail.of));
  const wires = platform.wires.filter((wire) => !off.some((trail) => trail.wires.includes(wire)));
  const { landmarksMm } = platform;
  return {
    ...platform,
    wires: barbUp
      ? wires.map((wire) => (wire.barb ? { ...wire, barb: { ...wire.barb, pinched: false } } : wire))
      : wires,
    sections: platform.sections.filter((section) => !off.some((trail) => trail.sections.includes(section))),
    landmarksMm: off.length > 0 ? { ...landmarksMm, rear: landmarksMm.bend } : landmarksMm,
  };
}

/** What a fly is tied on, with nothing on it yet. */
export const bareOf = (laid: LaidFly): LaidFly => stageOf(laid, [], { ...WITH_BED, thread: 'none' });

/** The fly as far as it is tied: the same geometry with what comes later absent. @param drawn ids of the parts that are on it */
export function stageOf(laid: LaidFly, drawn: readonly string[], beside: Beside): LaidFly {
  const on = new Set(drawn.map((id) => id.toLowerCase()));
  const parts = laid.parts.filter((part) => on.has(part.file.id.toLowerCase()));
  const [platform, thread] = [platformOn(laid.platform, beside), threadOn(laid, beside.thread)];
  return {
    ...laid,
    parts,
    platform,
    thread,
    sections: [...platform.sections, ...thread.sections, ...parts.flatMap((part) => part.built.sections)],
  };
}
