import { formatAngle, formatMass, formatSpeed, METRIC, type Style } from '../units/index.ts';
import type { FlySummary } from './stored.ts';

/** One thing that is other than before, in words; `verdict` where it is a judgement and not only a figure. */
export interface ChangedFigure {
  readonly words: string;
  readonly verdict: boolean;
}

const RIDES: Readonly<Record<FlySummary['ride'], string>> = {
  'point-up': 'point-up',
  'point-down': 'point-down',
  'on-its-side': 'on its side',
  undecided: 'undecided',
};
/** Figures that differ by less are the same: nobody would see it. */
const NOTICED = { heelDeg: 1, share: 0.005 };

const both = (was: string, is: string): string => `${is}, was ${was}`;
const unlike = (a: number | null, b: number | null): boolean =>
  a === null || b === null ? a !== b : Math.abs(a - b) > NOTICED.share * Math.max(Math.abs(a), Math.abs(b));

/** Work in two steps was told in one before orders were kept. */
const IN_TWO_STEPS = /\/(over|on)\b/;
const isInAnotherOrder = (was: string | undefined, is: string | undefined): boolean =>
  is !== undefined && (was === undefined ? IN_TWO_STEPS.test(is) : was !== is);

/** What came to be settled and what no longer is. A finding whose figures alone moved is the same one. */
function changedChecks(before: FlySummary['checks'], after: FlySummary['checks']): ChangedFigure[] {
  if (!before || !after) return [];
  const gone = [...before];
  const come = after.filter(({ code }) => {
    const known = gone.findIndex((each) => each.code === code);
    if (known >= 0) gone.splice(known, 1);
    return known < 0;
  });
  return [
    ...come.map(({ severity, message }) => ({
      verdict: true,
      words: `now ${severity === 'stop' ? 'stopped' : 'to settle'}: ${message}`,
    })),
    ...gone.map(({ message }) => ({ verdict: false, words: `no longer to settle: ${message}` })),
  ];
}

/** What of a fly's verdict and figures changed, the verdicts first. */
export function changedFigures(before: FlySummary, after: FlySummary, style: Style = METRIC): ChangedFigure[] {
  const out: ChangedFigure[] = [];
  if (before.ride !== after.ride)
    out.push({ verdict: true, words: `rides ${both(RIDES[before.ride], RIDES[after.ride])}` });
  else if (Math.abs((after.heelDeg ?? 0) - (before.heelDeg ?? 0)) > NOTICED.heelDeg)
    out.push({
      verdict: false,
      words: `heels ${both(`${formatAngle(before.heelDeg ?? 0, style)}°`, `${formatAngle(after.heelDeg ?? 0, style)}°`)}`,
    });
  const speed = (mmS: number): string => Object.values(formatSpeed(mmS, style)).join(' ');
  if (before.sinkClass !== after.sinkClass)
    out.push({
      verdict: true,
      words: `sinks ${both(before.sinkClass ?? 'not at all', after.sinkClass ?? 'not at all')}`,
    });
  else if (unlike(before.sinkMmS, after.sinkMmS) && before.sinkMmS !== null && after.sinkMmS !== null)
    out.push({ verdict: false, words: `sinks at ${both(speed(before.sinkMmS), speed(after.sinkMmS))}` });
  if (unlike(before.holdsToMmS, after.holdsToMmS)) {
    const held = (mmS: number | null): string => (mmS === null ? 'any side current' : speed(mmS));
    out.push({ verdict: false, words: `holds to ${both(held(before.holdsToMmS), held(after.holdsToMmS))}` });
  }
  const mass = (mg: number): string => Object.values(formatMass(mg, style)).join(' ');
  if (unlike(before.dryMg, after.dryMg))
    out.push({ verdict: false, words: `weighs ${both(mass(before.dryMg), mass(after.dryMg))}` });
  out.push(...changedChecks(before.checks, after.checks));
  if (isInAnotherOrder(before.order, after.order)) out.push({ verdict: false, words: 'is tied in another order' });
  if (unlike(before.shankMm, after.shankMm))
    out.push({
      verdict: false,
      words: `shank ${both(`${before.shankMm.toFixed(1)} mm`, `${after.shankMm.toFixed(1)} mm`)}`,
    });
  return out;
}
