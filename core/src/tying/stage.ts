import { FigureCache, paintFly, type Surface, fitView, type Hand, type View, type ViewName } from '../drawing/index.ts';
import { boundsOf, type LaidFly } from '../model/index.ts';
import type { Step } from './step.ts';

/** How a stage is looked at. */
export interface StageLook {
  readonly hand: Hand;
  readonly view?: ViewName;
  /** Seen from the far side. */
  readonly far?: boolean;
  /** With the hook turned over, as it is for what is tied in on the point side. */
  readonly turned?: boolean;
}

/** Bare surface across and down, px. */
const BARE = [12, 8] as const;

/** The view of a stage that fills a frame, on the scale of the whole fly. @param width, height of the frame, px */
export function stageView(laid: LaidFly, width: number, height: number, look: StageLook): View {
  const { hand, view = 'profile', far = false, turned = false } = look;
  const bounds = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
  // From the far side the fly is seen as the other hand has it.
  const looking: Hand = far ? (hand === 'right' ? 'left' : 'right') : hand;
  return fitView(bounds, { width, height, bare: BARE, hand: looking, name: view, turned });
}

const HEADED: ReadonlySet<string> = new Set(['head', 'whip', 'eye']);

/** Whether the head is built by the end of a step. */
export const isHeaded = ({ key }: Step): boolean => HEADED.has(key) || key.startsWith('coat/');

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

  /** @param width, height of the frame, px of the surface */
  paint(surface: Surface, step: Step, width: number, height: number): void {
    const stage = stageOf(this.laid, step.drawn, isHeaded(step));
    const view = stageView(this.laid, width, height, { hand: this.hand, turned: step.turned });
    paintFly(surface, this.figures.figure(stage), view, { ...PAPER, share: FIBRES_SHOWN, sections: stage.sections });
  }
}

/** The fly as far as it is tied: the same geometry with what comes later absent. @param drawn ids of the parts that are on it @param headed whether the head is built */
export function stageOf(laid: LaidFly, drawn: readonly string[], headed: boolean): LaidFly {
  const on = new Set(drawn.map((id) => id.toLowerCase()));
  const parts = laid.parts.filter((part) => on.has(part.file.id.toLowerCase()));
  const owners = new Set(laid.parts.filter((part) => !parts.includes(part)).map((part) => part.built.id));
  const { thread } = laid;
  const bare = headed
    ? thread
    : {
        ...thread,
        headMm: null,
        forms: thread.forms.filter((form) => form.kind !== 'thread' || !form.head),
        sections: thread.sections.filter((section) => section.owner !== 'head'),
      };
  return {
    ...laid,
    parts,
    thread: bare,
    sections: laid.sections.filter(
      (section) => !owners.has(section.owner) && (headed || section.owner !== 'head' || thread.headMm === null),
    ),
  };
}
