import { viewOf } from '@jobbet/core/drawing';
import { boundsOf, type LaidFly, toRad } from '@jobbet/core/model';
import type { Moment } from '@jobbet/core/water';
import { useMemo, useRef } from 'react';
import { FlyCanvas } from '../../shared/drawing/FlyCanvas.tsx';
import { useSettings, useStyle } from '../../shared/settings/settings.ts';
import { RideGlyph, rideWords } from '../../shared/ui/RideGlyph.tsx';
import { useSize } from '../../shared/ui/useSize.ts';
import { noseWords } from './lies.ts';

interface PosesProps {
  readonly laid: LaidFly;
  readonly moments: readonly Moment[];
  readonly moment: Moment;
  readonly onTime: (t: number) => void;
}

const POSES = 5;
const WORDS_PX = 40;

/** So many moments spread over the time, the one that is looked at in the place of the nearest. */
function posesOf(moments: readonly Moment[], moment: Moment): readonly Moment[] {
  const last = moments.length - 1;
  const spread = Array.from({ length: POSES }, (_, i) => moments[Math.round(((i + 0.5) / POSES) * last)] ?? moment);
  const nearest = spread.reduce(
    (best, each, i) => (Math.abs(each.t - moment.t) < Math.abs((spread[best] ?? each).t - moment.t) ? i : best),
    0,
  );
  return spread.map((each, i) => (i === nearest ? moment : each));
}

/** How the fly lies at some moments, from its own geometry: its heel, its nose, and which way up it rides. */
export function Poses({ laid, moments, moment, onTime }: PosesProps) {
  const frame = useRef<HTMLDivElement>(null);
  const style = useStyle();
  const { width, height } = useSize(frame);
  const each = Math.floor(width / POSES);
  const poses = posesOf(moments, moment);
  const poseHeight = Math.max(20, height - WORDS_PX);
  const scale = scaleFor(laid, poses, each, poseHeight);
  const balls = laid.parts.some(({ built }) => built.ball?.sided === true);
  return (
    <div ref={frame} className="flex min-h-0 min-w-0 border-t border-hair overflow-hidden" data-testid="poses">
      {width > 0 &&
        poses.map((pose) => (
          <button
            key={pose.t}
            type="button"
            className={`relative shrink-0 text-left ${pose === moment ? 'bg-sunk' : ''}`}
            style={{ width: each }}
            aria-label={`how it lies at ${pose.t.toFixed(1)} s`}
            aria-pressed={pose === moment}
            onClick={() => onTime(pose.t)}
          >
            <Posed {...{ laid, pose, scale }} width={each} height={poseHeight} />
            <span className="absolute left-1 bottom-0.5 flex gap-1.5 items-center">
              <RideGlyph ride={pose.ride} heelDeg={pose.heelDeg} balls={balls} size={26} />
              <span className="leading-tight">
                <b className={pose.over ? 'text-warn' : ''}>
                  {pose.over ? 'rolled over' : noseWords(pose.noseDownDeg, style)}
                </b>
                <i className="block text-label text-ink2">
                  {pose.t.toFixed(1)} s, {pose.touches ? 'on the bed, ' : ''}
                  {rideWords(pose.ride)}
                </i>
              </span>
            </span>
          </button>
        ))}
    </div>
  );
}

/** One scale for all of them, at which each stands whole in its frame, px a mm. */
function scaleFor(laid: LaidFly, poses: readonly Moment[], width: number, height: number): number {
  const { front, rear, top, bottom } = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
  const [long, deep] = [rear - front, top - bottom];
  return Math.min(
    ...poses.map(({ noseDownDeg }) => {
      const [cos, sin] = [Math.abs(Math.cos(toRad(noseDownDeg))), Math.abs(Math.sin(toRad(noseDownDeg)))];
      return Math.min((0.94 * width) / (long * cos + deep * sin), (0.98 * height) / (long * sin + deep * cos));
    }),
  );
}

/** The fly as it lies at a moment, turned about its eye. */
function Posed({
  laid,
  pose,
  width,
  height,
  scale,
}: {
  readonly laid: LaidFly;
  readonly pose: Moment;
  readonly width: number;
  readonly height: number;
  readonly scale: number;
}) {
  const { hand } = useSettings();
  const right = hand === 'right';
  // In steps of a few degrees, so that what hardly turns is not drawn anew.
  const heel = Math.round(pose.heelDeg / 5) * 5;
  const views = useMemo(() => {
    const { front, rear } = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
    // The middle of the fly stands in the middle, whichever way its nose points.
    const nose = toRad(pose.noseDownDeg);
    const half = ((rear + front) / 2) * scale;
    const [across, up] = [half * Math.cos(nose), half * Math.sin(nose)];
    return [viewOf('profile', width / 2 + (right ? across : -across), height / 2 + up, scale, hand, toRad(heel))];
  }, [laid, width, height, hand, right, heel, pose.noseDownDeg, scale]);
  return (
    <div className="absolute inset-x-0 top-0 overflow-hidden" style={{ height }}>
      <FlyCanvas
        laid={laid}
        views={views}
        width={width}
        height={height}
        mode="dressed"
        turnDeg={right ? pose.noseDownDeg : -pose.noseDownDeg}
      />
    </div>
  );
}
