import { behindFront } from '@jobbet/core/tying';
import { type FlyReport, type LaidFly, toRad, boundsOf, type Vec3 } from '@jobbet/core/model';
import { screenX, screenY, viewOf, type Hand, type View } from '@jobbet/core/drawing';
import { formatLength, formatMass, formatNumber, type Style } from '@jobbet/core/units';
import type { Asked } from '@jobbet/core/study';
import { useMemo, useRef } from 'react';
import { partCalled } from '../../fly/selection.ts';
import { useBench, useBenchStore, useChosenPart } from '../../fly/store.ts';
import { useGripActions } from '../../fly/useGripActions.ts';
import { FlyCanvas } from '../../shared/drawing/FlyCanvas.tsx';
import { Grips, PullWords, type GripPlan } from '../../shared/drawing/Grips.tsx';
import { useHeld } from '../../shared/drawing/useHeld.ts';
import { useSize } from '../../shared/ui/useSize.ts';
import { useSettings, useStyle } from '../../shared/settings/settings.ts';
import { WhyButton } from '../../fly/verdict/WhyButton.tsx';
import { momentWords } from './momentWords.ts';

const MOST_SCALE = 9;

interface ThreeCentresProps {
  readonly shown: LaidFly;
  /** Whether the fly shown is the one on the bench, so that it can be pulled. */
  readonly planned: boolean;
  readonly report: FlyReport | null;
}

/** The profile in the middle of a frame, rolled as it rides, with room for what acts on it. @param width, height px */
function fittedTo(laid: LaidFly, width: number, height: number, hand: Hand): GripPlan {
  const bounds = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
  const tall = Math.max(bounds.top, -bounds.bottom, bounds.aside);
  const long = bounds.rear - bounds.front;
  const scale = Math.max(0.5, Math.min(MOST_SCALE, (width - 60) / long, (height - 66) / (2 * tall)));
  const eyeX = hand === 'right' ? width - 30 + bounds.front * scale : 30 - bounds.front * scale;
  const roll = toRad(laid.tight.heelDeg ?? 0);
  const profile = viewOf('profile', eyeX, height / 2, scale, hand, roll);
  return { width, scale, dir: hand === 'right' ? -1 : 1, bounds, profile, plan: null };
}

/** The profile as it rides on a tight line, with the centres of weight under water, of buoyancy and of the silhouette; its tips can be pulled. */
export function ThreeCentres({ shown, planned, report }: ThreeCentresProps) {
  const live = useBench((state) => state.laid);
  const selected = useChosenPart();
  const pull = useBench((state) => state.pull);
  const bench = useBenchStore();
  const actions = useGripActions();
  const laid = planned ? live : shown;
  const { hand } = useSettings();
  const style = useStyle();
  const frame = useRef<HTMLDivElement>(null);
  const svg = useRef<SVGSVGElement>(null);
  const { width, height } = useSize(frame);
  const { held, pullOn } = useHeld<GripPlan>(actions.onPullStart);
  const fitted = useMemo(() => fittedTo(laid, width, height, hand), [laid, width, height, hand]);
  const sheet = held ?? fitted;
  const view = sheet.profile;
  const views = useMemo(() => [view], [view]);
  const at = centresOf(laid, report, view);
  const lever = laid.submergedCentre
    ? Object.values(formatLength(Math.abs(laid.buoyancy[0] - laid.submergedCentre[0]), style)).join(' ')
    : '';
  return (
    <section aria-label="Three centres" className="flex h-full min-h-0">
      <div ref={frame} className="relative flex-1 min-w-0 overflow-hidden">
        {width > 0 && (
          <>
            <div className="opacity-30">
              <FlyCanvas laid={laid} views={views} width={width} height={height} mode="silhouette" />
            </div>
            <svg
              ref={svg}
              width={width}
              height={height}
              className="absolute inset-0"
              role="group"
              aria-label="Profile as it rides; its tips can be pulled"
            >
              <g aria-hidden="true">
                <line
                  x1={0}
                  x2={width}
                  y1={height / 2}
                  y2={height / 2}
                  stroke="var(--ink3)"
                  strokeWidth={0.7}
                  strokeDasharray="14 3 2.5 3"
                />
                <Forces at={at} aft={hand === 'right' ? -1 : 1} lever={lever} />
              </g>
              {planned && (
                <Grips
                  {...actions}
                  laid={laid}
                  layout={sheet}
                  selected={selected}
                  hook={false}
                  svg={svg}
                  onPick={(id) => bench.setState({ selected: partCalled(id) })}
                  onPullStart={pullOn(sheet)}
                />
              )}
              {pull && <PullWords laid={laid} layout={sheet} pull={pull} />}
            </svg>
          </>
        )}
      </div>
      <CentreWords laid={laid} report={report} />
    </section>
  );
}

interface Place {
  readonly x: number;
  readonly y: number;
}

/** Where the three centres stand on a view, px; null for one there is none of. */
interface CentresAt {
  readonly weight: Place | null;
  readonly buoyancy: Place;
  readonly silhouette: Place | null;
}

function centresOf(laid: LaidFly, report: FlyReport | null, view: View): CentresAt {
  const place = (at: Vec3): Place => ({ x: screenX(view, at), y: screenY(view, at) });
  const side = report?.centres_mm.silhouette.side;
  return {
    weight: laid.submergedCentre && place(laid.submergedCentre),
    buoyancy: place(laid.buoyancy),
    silhouette: side ? place([side[0], 0, side[1]]) : null,
  };
}

interface ForcesProps {
  readonly at: CentresAt;
  /** px right is aft, or left. */
  readonly aft: 1 | -1;
  /** The distance between weight and buoyancy in words. */
  readonly lever: string;
}

/** Weight, buoyancy and drag where they act, and the lever between the first two. */
function Forces({ at: { weight, buoyancy, silhouette }, aft, lever }: ForcesProps) {
  return (
    <>
      {weight && <Lever from={weight.x} to={buoyancy.x} y={LEVER_Y} feet={[weight.y, buoyancy.y]} words={lever} />}
      {silhouette && (
        <g stroke="var(--shape)" fill="var(--shape)" strokeWidth={1.8}>
          <line x1={silhouette.x} x2={silhouette.x + aft * 70} y1={silhouette.y} y2={silhouette.y} />
          <path
            d={`M${String(silhouette.x + aft * 80)} ${String(silhouette.y)}l${String(-aft * 12)} -4.5v9z`}
            stroke="none"
          />
          <path
            d={`M${String(silhouette.x)} ${String(silhouette.y - 7)}l7 7l-7 7l-7 -7z`}
            stroke="var(--sheet)"
            strokeWidth={1.2}
          />
        </g>
      )}
      <g stroke="var(--air)" fill="var(--air)" strokeWidth={1.8}>
        <line x1={buoyancy.x} x2={buoyancy.x} y1={buoyancy.y} y2={buoyancy.y - 48} />
        <path d={`M${String(buoyancy.x)} ${String(buoyancy.y - 58)}l-4.5 12h9z`} stroke="none" />
        <circle cx={buoyancy.x} cy={buoyancy.y} r={6} fill="var(--sheet)" />
      </g>
      {weight && (
        <g stroke="var(--weight)" fill="var(--weight)" strokeWidth={1.8}>
          <line x1={weight.x} x2={weight.x} y1={weight.y} y2={weight.y + 48} />
          <path d={`M${String(weight.x)} ${String(weight.y + 58)}l-4.5 -12h9z`} stroke="none" />
          <circle cx={weight.x} cy={weight.y} r={6} stroke="var(--sheet)" strokeWidth={1.2} />
        </g>
      )}
    </>
  );
}

type CentreRow = readonly [asked: Asked, colour: string, words: string, told: string];

/** What each centre is and where it stands along the shank. */
function centreRows(laid: LaidFly, report: FlyReport | null, style: Style): readonly CentreRow[] {
  const length = (mm: number): string => Object.values(formatLength(mm, style)).join(' ');
  const behind = (x: number): string => `${length(x)} ${behindFront(laid)}`;
  const side = report?.centres_mm.silhouette.side;
  return [
    ...(laid.submergedCentre
      ? ([
          [
            'centres',
            'text-weight',
            `weight ${Object.values(formatMass(laid.submergedMg, style)).join(' ')} under water`,
            behind(laid.submergedCentre[0]),
          ],
        ] as const)
      : []),
    [
      'centres',
      'text-air',
      'buoyancy',
      `${behind(laid.buoyancy[0])}${laid.submergedCentre ? `, weight ${length(Math.abs(laid.buoyancy[0] - laid.submergedCentre[0]))} ${laid.submergedCentre[0] < laid.buoyancy[0] ? 'ahead of it' : 'behind it'}` : ''}`,
    ],
    ...(report && side
      ? ([
          [
            'silhouette',
            'text-shape',
            `silhouette ${formatNumber(report.silhouette_mm2.side, 0, style)} mm²`,
            `${behind(side[0])}, drag acts here`,
          ],
        ] as const)
      : []),
  ];
}

interface CentreWordsProps {
  readonly laid: LaidFly;
  readonly report: FlyReport | null;
}

/** The keel moment and the three centres in words. */
function CentreWords({ laid, report }: CentreWordsProps) {
  const style = useStyle();
  const { momentMgMm, ride } = laid.tight;
  const rows = centreRows(laid, report, style);
  return (
    <div className="w-[210px] shrink-0 px-4 py-1 border-l border-hair">
      <p className="leading-tight">
        <span className="text-[26px] font-bold text-weight" data-testid="keel-moment">
          {momentWords(Math.abs(momentMgMm), style)}
        </span>
        <br />
        <span className="italic text-ink2">
          <WhyButton asked="keel" laid={laid}>
            keel moment
          </WhyButton>
          , toward {momentMgMm > 0 !== laid.platform.pointUp ? 'point-up' : 'point-down'}
          {ride === 'undecided' ? '; too little to decide' : ''}
        </span>
      </p>
      <dl className="mt-1 leading-tight">
        {rows.map(([why, colour, words, told]) => (
          <div key={words} className="mt-1">
            <dt className={`font-semibold ${colour}`}>
              <WhyButton asked={why} laid={laid} className="text-left">
                {words}
              </WhyButton>
            </dt>
            <dd className="italic text-ink2">{told}</dd>
          </div>
        ))}
      </dl>
    </div>
  );
}

/** px from the top of the frame to the lever between weight and buoyancy. */
const LEVER_Y = 22;

interface LeverProps {
  readonly from: number;
  readonly to: number;
  readonly y: number;
  readonly feet: readonly [number, number];
  readonly words: string;
}

/** The distance along the shank between two centres, as a dimension over the profile. */
function Lever({ from, to, y, feet, words }: LeverProps) {
  const way = Math.sign(to - from) || 1;
  const wide = Math.abs(to - from) > 16;
  return (
    <g stroke="var(--measure)" fill="var(--measure)" strokeWidth={0.8}>
      {[from, to].map((x, i) => (
        <line
          key={i}
          x1={x}
          x2={x}
          y1={y - 4}
          y2={(feet[i] ?? y) - (i === 0 ? 8 : 60)}
          strokeWidth={0.6}
          opacity={0.65}
        />
      ))}
      <line x1={from} x2={to} y1={y} y2={y} />
      {wide && (
        <g stroke="none">
          <path d={`M${String(from)} ${String(y)}l${String(6 * way)} -2v4z`} />
          <path d={`M${String(to)} ${String(y)}l${String(-6 * way)} -2v4z`} />
        </g>
      )}
      <text
        x={(from + to) / 2}
        y={y - 6}
        textAnchor="middle"
        fontSize={12.5}
        fontStyle="italic"
        fontWeight={600}
        stroke="none"
      >
        {words}
      </text>
    </g>
  );
}
