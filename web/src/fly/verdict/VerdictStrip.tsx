import { turnsWithin, type FlyReport, type LaidFly } from '@jobbet/core/model';
import { rideIfLight, sinkRangeIfLight, verdictSentence } from '@jobbet/core/contract';
import { partName } from '@jobbet/core/tying';
import type { Asked, Certainty } from '@jobbet/core/study';
import { formatAngle, formatMass, formatNumber, formatSpeed, type Style, type Written } from '@jobbet/core/units';
import { Fragment, useEffect, useState, type ReactNode } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { OffBy } from './Trust.tsx';
import { WhyButton } from './WhyButton.tsx';
import { useSettled } from '../../shared/ui/useSettled.ts';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import { RideGlyph, rideWords } from '../../shared/ui/RideGlyph.tsx';

interface VerdictStripProps {
  readonly report: FlyReport | null;
  readonly current: boolean;
  /** Asks for the figures again, where they could not be reckoned; else null. */
  readonly again: (() => void) | null;
  readonly tight: { readonly ride: string; readonly heelDeg: number | null };
  /** How far off each figure may be; null until that is in. */
  readonly certain: Certainty['figures'] | null;
  /** The fly the figures are asked why of; null where it is not at hand. */
  readonly laid: LaidFly | null;
  readonly balls: boolean;
  /** Said of a fly that is only shown: another than the one that is kept. */
  readonly shownAs?: string | undefined;
  /** How many finds want to be settled, and how many are only worth knowing; null until they are in. */
  readonly checks: { readonly settle: number; readonly notes: number } | null;
  readonly onChecks: () => void;
}

/** Words beside a figure that go where a narrow window has no room for them. */
const SPARE = 'text-ink2 max-[1100px]:hidden';

const Figure = ({ value }: { readonly value: Written }) => (
  <>
    <strong className="text-verdict font-bold">{value.figure}</strong> <span className="text-ink2">{value.unit}</span>
  </>
);

/** Figures beside one another; a unit they share is said once, after the last. */
const InARow = ({ values }: { readonly values: readonly Written[] }) =>
  values.map(({ figure, unit }, i) => (
    <Fragment key={i}>
      <strong className="text-verdict font-bold">{figure}</strong>{' '}
      {unit !== values[i + 1]?.unit && <span className="text-ink2">{unit} </span>}
      {i + 1 < values.length && <span className="max-[1000px]:hidden">&ensp;</span>}
    </Fragment>
  ));

function Cell({
  label,
  why,
  laid,
  children,
  title,
  wide = false,
}: {
  readonly label: string;
  /** What the figure is asked why by, and the fly it is of. */
  readonly why?: Asked;
  readonly laid?: LaidFly | null;
  readonly children: ReactNode;
  readonly title?: string | undefined;
  /** Left out where the window is narrow. */
  readonly wide?: boolean;
}) {
  return (
    <div
      className={`px-4 max-[1000px]:px-2 py-2 border-r border-hair overflow-hidden whitespace-nowrap ${wide ? 'min-w-0 shrink max-[1230px]:hidden' : 'max-[1100px]:min-w-0 min-[1101px]:shrink-0'}`}
      title={title}
    >
      <div className="text-label italic text-ink3 truncate">
        {why && laid ? (
          <WhyButton asked={why} laid={laid}>
            {label}
          </WhyButton>
        ) : (
          label
        )}
      </div>
      <div className="truncate">{children}</div>
    </div>
  );
}

/** How it rides, holds, trims and sinks, and what it weighs. The ride follows the hand at once; the rest keeps its last figures, greyed, until the new ones are in. */
export function VerdictStrip({
  report,
  current,
  again,
  tight,
  laid,
  certain,
  balls,
  shownAs,
  checks,
  onChecks,
}: VerdictStripProps) {
  const style = useStyle();
  const slow = useSlow(!current && !again);
  const otherwise = report && current ? rideIfLight(report) : null;
  const spoken = useSettled(report && current ? verdictSentence(report, style) : '', '');
  return (
    <section
      aria-label="Verdict"
      className={`flex border-t border-ink h-[62px] overflow-hidden ${slow ? 'text-ink3' : ''}`}
    >
      <div className="flex items-center gap-3 px-4 w-[218px] max-[1000px]:w-auto max-[1000px]:px-2 border-r border-hair shrink-0">
        <RideGlyph ride={tight.ride} heelDeg={tight.heelDeg} balls={balls} />
        <div>
          <div className="text-label italic text-ink3 truncate max-w-[148px]" title={shownAs ?? otherwise?.whole}>
            {['rides', shownAs ?? otherwise?.short].filter(Boolean).join(', ')}
          </div>
          <strong className="text-verdict font-bold" data-testid="ride">
            {rideWords(tight.ride)}
          </strong>
        </div>
      </div>
      {report && !again ? (
        <Figures report={report} tight={tight} laid={laid} certain={certain} />
      ) : (
        <Reckoning again={again} />
      )}
      {checks && <ChecksKey {...checks} onChecks={onChecks} />}
      <p role="status" className="sr-only">
        {spoken}
      </p>
    </section>
  );
}

type FiguresProps = Pick<VerdictStripProps, 'tight' | 'laid' | 'certain'> & { readonly report: FlyReport };

/** What the fly comes to. */
function Figures({ report, tight, laid, certain }: FiguresProps) {
  const style = useStyle();
  const { keel, trim, weight } = report;
  return (
    <>
      <KeelCells keel={keel} tight={tight} laid={laid} certain={certain} />
      <Cell label="falls" why="trim" laid={laid}>
        {trim.noseDown_deg === null || trim.verdict === null ? (
          <span className="text-ink2">none: it neither sinks nor floats</span>
        ) : (
          <>
            <strong className="text-verdict font-bold">{formatAngle(Math.abs(trim.noseDown_deg), style)}°</strong>{' '}
            <span className={SPARE}>{trim.verdict}</span>
          </>
        )}
      </Cell>
      <SinkCell report={report} laid={laid} certain={certain} />
      <Cell label="weight dry, cast, under water" why="weights" laid={laid}>
        <InARow values={[weight.dry_mg, weight.casting_mg, weight.submerged_mg].map((mg) => formatMass(mg, style))} />{' '}
        <OffBy certain={certain?.submerged} />
      </Cell>
      {keel.tipping && (
        <Cell
          label={`the ${partName(keel.tipping.part)} that turn it over`}
          why="tipping"
          laid={laid}
          title="The weight at which it turns over, and how many times that is fitted"
          wide
        >
          <Figure value={formatMass(keel.tipping.mass_mg, style)} />{' '}
          <span className="text-ink2" title={tippingWords(keel.tipping, style)}>
            <span className="max-[1320px]:hidden">yours </span>
            {tippingShort(keel.tipping, style)}
          </span>
        </Cell>
      )}
    </>
  );
}

/** How many times the eyes that turn it over are fitted; a range where nobody has weighed them and the verdict turns within it. */
function tippingShort({ ratio, ratioRange }: NonNullable<FlyReport['keel']['tipping']>, style: Style): string {
  return ratioRange && turnsWithin(ratioRange)
    ? `${formatNumber(ratioRange[0], 1, style)} to ${formatNumber(ratioRange[1], 1, style)} ×`
    : `${formatNumber(ratio, 2, style)} ×`;
}

/** The same with whose they are, and what would settle it. */
const tippingWords = (tipping: Parameters<typeof tippingShort>[0], style: Style): string =>
  `yours ${tippingShort(tipping, style)}${tipping.ratioRange && turnsWithin(tipping.ratioRange) ? ', weigh a pair' : ''}`;

type KeelCellsProps = Pick<VerdictStripProps, 'tight' | 'laid' | 'certain'> & { readonly keel: FlyReport['keel'] };

/** How straight it stands, and the current it stands against. */
function KeelCells({ keel, tight, laid, certain }: KeelCellsProps) {
  const style = useStyle();
  return (
    <>
      <Cell
        label="leans"
        why="heel"
        laid={laid}
        title={
          keel.slack.ride === keel.tight.ride
            ? 'On a tight line; on a slack one it rests the same way'
            : `On a slack line: ${rideWords(keel.slack.ride)}`
        }
      >
        <strong className="text-verdict font-bold">
          {tight.heelDeg === null ? 'none' : `${formatAngle(tilt(tight.heelDeg), style)}°`}
        </strong>{' '}
        <span className={SPARE}>{slackWords(keel)}</span>
      </Cell>
      <Cell
        label="rolled by a swing over"
        why="holds"
        laid={laid}
        title="The side current at which it gives way; ask why for how far off it may be"
      >
        {keel.holdsTo_mm_s === null ? (
          <span className="text-ink2">any side current</span>
        ) : (
          <>
            <Figure value={formatSpeed(keel.holdsTo_mm_s, style)} /> <OffBy certain={certain?.holds} />
          </>
        )}
      </Cell>
    </>
  );
}

type SinkCellProps = Pick<VerdictStripProps, 'laid' | 'certain'> & { readonly report: FlyReport };

/** How fast it falls; from one speed to another as long as its eyes may be of either class. */
function SinkCell({ report, laid, certain }: SinkCellProps) {
  const style = useStyle();
  const { sink } = report;
  const range = sinkRangeIfLight(report);
  return (
    <Cell
      label={`falls free, soaked${range ? `: ${range.weigh}` : ''}`}
      why="sink"
      laid={laid}
      title={
        sink
          ? `${range ? `${range.classes}, as nobody has weighed its eyes. ` : ''}Level ${formatSpeed(sink.level_mm_s, style).figure}, nose-first ${formatSpeed(sink.noseFirst_mm_s, style).figure} ${style.speed}. Nose-first drag of soft parts is the least certain figure`
          : undefined
      }
    >
      {sink ? (
        <>
          {range && (
            <>
              <Figure value={{ ...formatSpeed(range.fromMmS, style), unit: 'to' }} />{' '}
            </>
          )}
          <Figure value={formatSpeed(sink.terminal_mm_s, style)} />{' '}
          {!range && (
            <>
              <span className={SPARE}>{sink.class}</span> <OffBy certain={certain?.sink} />
            </>
          )}
        </>
      ) : (
        <strong className="text-verdict">it floats</strong>
      )}
    </Cell>
  );
}

/** What stands there until the figures are in, or where they will not come. */
function Reckoning({ again }: Pick<VerdictStripProps, 'again'>) {
  return (
    <Cell label="figures">
      {again ? (
        <span role="alert" className="text-warn">
          could not be reckoned{' '}
          <button type="button" className="underline underline-offset-2" onClick={again}>
            try again
          </button>
        </span>
      ) : (
        'reckoning'
      )}
    </Cell>
  );
}

interface ChecksKeyProps extends Pick<VerdictStripProps, 'onChecks'> {
  readonly settle: number;
  readonly notes: number;
}

/** How many finds there are, and the way to them. */
function ChecksKey({ settle, notes, onChecks }: ChecksKeyProps) {
  return (
    <button
      type="button"
      data-testid="checks"
      className="ml-auto px-4 max-[1000px]:px-2 py-2 text-left border-l border-hair shrink-0 whitespace-nowrap hover:bg-sunk"
      onClick={onChecks}
    >
      <span className="block text-label italic text-ink3">
        checks <span className="plain-key not-italic">X</span>
      </span>
      {settle > 0 ? (
        <span className="text-warn">
          <SnagFlag /> <strong className="text-verdict font-bold">{settle}</strong>{' '}
          <span className={SPARE}>to settle</span>
        </span>
      ) : (
        <span className="text-ink2">
          {notes === 0 ? 'nothing' : <strong className="text-verdict font-bold">{notes}</strong>} to{' '}
          {notes === 0 ? 'settle' : 'know'}
        </span>
      )}
    </button>
  );
}

/** Degrees away from upright: 180 is as straight as 0. */
const tilt = (heelDeg: number): number => Math.min(Math.abs(heelDeg), 180 - Math.abs(heelDeg));

const slackWords = (keel: FlyReport['keel']): string =>
  keel.slack.ride === keel.tight.ride ? 'tight or slack' : `slack: ${rideWords(keel.slack.ride)}`;

/** True once something has lasted longer than 150 ms. */
function useSlow(waiting: boolean): boolean {
  const [slow, setSlow] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setSlow(waiting), waiting ? 150 : 0);
    return () => clearTimeout(timer);
  }, [waiting]);
  return slow;
}
