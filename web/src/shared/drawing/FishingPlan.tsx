import { type FlyReport, type LaidFly, boundsOf } from '@jobbet/core/model';
import {
  partAt,
  clockwiseDeg,
  partWay,
  posedReach,
  restPose,
  type Pose,
  type Reach,
  viewOf,
  type Hand,
  type View,
} from '@jobbet/core/drawing';
import { formatAngle, formatNumber } from '@jobbet/core/units';
import { useMemo, useRef, type PointerEvent } from 'react';
import { useSettings, useStyle } from '../settings/settings.ts';
import { FlyCanvas } from './FlyCanvas.tsx';
import { PX_PER_MM } from './Projection.tsx';
import { useSize } from '../ui/useSize.ts';

const SIDES = 40;
const HEAD = 64;
const FOOT = 60;
const GAP_MM = 4;
const LARGEST = 18;

interface FishingLayout {
  readonly scale: number;
  readonly profile: View;
  readonly section: View;
}

/** Side view and head-on view of the posed fly on one scale; the head-on view at the side away from the eye, as when tied. */
function layoutFishing(laid: LaidFly, rest: Pose, width: number, height: number, hand: Hand) {
  const { side, front } = posedReach(boundsOf(laid.sections, laid.platform.landmarksMm.rear), rest, hand);
  const wide = (reach: Reach): number => reach.right - reach.left;
  const tall = (reach: Reach): number => reach.bottom - reach.top;
  const scale = Math.min(
    LARGEST,
    (width - 2 * SIDES) / (wide(side) + GAP_MM + wide(front)),
    (height - HEAD - FOOT) / Math.max(tall(side), tall(front)),
  );
  const margin = (width - (wide(side) + GAP_MM + wide(front)) * scale) / 2;
  const middle = HEAD + (height - HEAD - FOOT) / 2;
  const first = hand === 'right' ? front : side;
  const at = (reach: Reach): number =>
    reach === first ? margin - reach.left * scale : margin + (wide(first) + GAP_MM - reach.left) * scale;
  const down = (reach: Reach): number => middle - ((reach.top + reach.bottom) / 2) * scale;
  return (pose: Pose): FishingLayout => {
    const roll = (pose.rollDeg * Math.PI) / 180;
    return {
      scale,
      profile: viewOf('profile', at(side), down(side), scale, hand, roll),
      section: viewOf('section', at(front), down(front), scale, hand, roll),
    };
  };
}

interface FishingSheetProps {
  readonly laid: LaidFly;
  readonly report: FlyReport | null;
  /** How much of the turn is done: 0 as tied, 1 as it fishes. */
  readonly share: number;
  readonly selected: string | null;
  readonly onPick: (id: string) => void;
}

/** The fly as it fishes: rolled to its rest and pitched by its nose-down angle, from the side and head-on. */
export function FishingPlan({ laid, report, share, selected, onPick }: FishingSheetProps) {
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const { hand, mode } = useSettings();
  const rest = useMemo(
    () =>
      restPose({
        slackDeg: report?.keel.slack.heel_deg ?? null,
        tightDeg: laid.tight.heelDeg,
        noseDownDeg: report?.trim.noseDown_deg ?? null,
      }),
    [report, laid.tight.heelDeg],
  );
  const posed = useMemo(
    () => (width > 0 ? layoutFishing(laid, rest, width, height, hand) : null),
    [laid, rest, width, height, hand],
  );
  const pose = partWay(rest, share);
  const layout = posed?.(pose);
  const turnDeg = clockwiseDeg(hand, pose.noseDownDeg);
  const press = (event: PointerEvent): void => {
    const box = frame.current?.getBoundingClientRect();
    if (!box || !layout) return;
    const { ox, oy } = layout.profile;
    const [dx, dy] = [event.clientX - box.left - ox, event.clientY - box.top - oy];
    const back = (-turnDeg * Math.PI) / 180;
    const id = partAt(
      laid,
      [layout.profile],
      ox + dx * Math.cos(back) - dy * Math.sin(back),
      oy + dx * Math.sin(back) + dy * Math.cos(back),
    );
    if (id) onPick(id);
  };
  return (
    <div ref={frame} className="relative size-full overflow-hidden bg-sheet" onPointerDown={press}>
      {layout && (
        <>
          <svg width={width} height={height} className="absolute inset-0" aria-hidden="true">
            <Level layout={layout} turnDeg={turnDeg} width={width} />
          </svg>
          <FlyCanvas
            laid={laid}
            views={[layout.profile, layout.section]}
            width={width}
            height={height}
            mode={mode}
            picked={selected}
            moving={share > 0 && share < 1}
            turnDeg={turnDeg}
          />
          <PoseWords report={report} laid={laid} rest={rest} scale={layout.scale} />
        </>
      )}
    </div>
  );
}

/** The level through the eye, and the line of the shank where it is pitched. */
function Level({ layout, turnDeg, width }: { layout: FishingLayout; turnDeg: number; width: number }) {
  const { ox, oy } = layout.profile;
  const away = layout.profile.across[0] > 0 ? 1 : -1;
  const line = (deg: number, long: number) => {
    const turn = (deg * Math.PI) / 180;
    return { x2: ox + away * long * Math.cos(turn), y2: oy + away * long * Math.sin(turn) };
  };
  return (
    <g className="stroke-ink3" strokeWidth={0.8} strokeDasharray="10 3 2 3" fill="none">
      <line x1={0} x2={width} y1={oy} y2={oy} className="stroke-rule" />
      {Math.abs(turnDeg) > 1 && <line x1={ox} y1={oy} {...line(turnDeg, width)} />}
    </g>
  );
}

interface PoseWordsProps {
  readonly report: FlyReport | null;
  readonly laid: LaidFly;
  readonly rest: Pose;
  readonly scale: number;
}

function PoseWords({ report, laid, rest, scale }: PoseWordsProps) {
  const style = useStyle();
  const deg = (value: number): string => `${formatAngle(Math.abs(value), style)}°`;
  const slack = report?.keel.slack.heel_deg !== null && report !== null;
  const trim =
    report?.trim.verdict == null
      ? 'it floats, so that it has no angle'
      : `${deg(rest.noseDownDeg)} ${report.trim.verdict}`;
  return (
    <>
      <p className="absolute left-4 top-2.5 text-label italic text-ink2">
        <b className="not-italic font-semibold text-ink">Side and head-on</b>
        <span className="ml-3">{formatNumber(scale / PX_PER_MM, 1, style)} : 1</span>
      </p>
      <p className="absolute left-2 bottom-2 px-2 py-1 bg-sheet text-ink2" data-testid="pose">
        {slack ? 'On a slack line' : laid.tight.heelDeg === null ? 'Undecided, drawn as tied' : 'On a tight line'}:
        rolled {deg(rest.rollDeg)} from as tied; {trim}.
      </p>
    </>
  );
}
