import type { InspectReport, SpecimenReport } from '@jobbet/core/inspect';
import type { SpecimenFile } from '@jobbet/core/records';
import { formatLength, formatMass, formatNumber, formatSpeed, type Style } from '@jobbet/core/units';
import { useStyle } from '../../shared/settings/settings.ts';
import type { Takeable } from './useTakes.ts';
import { rideWords } from '../../shared/ui/RideGlyph.tsx';

const words = (written: { readonly figure: string; readonly unit: string }): string =>
  `${written.figure} ${written.unit}`;

export const VERDICTS = {
  keep: { words: 'keep', key: 'E' },
  retie: { words: 'tie again', key: 'R' },
  practice: { words: 'for practice', key: 'P' },
} as const;

interface VerdictProps {
  readonly record: SpecimenFile;
  readonly report: SpecimenReport;
  readonly onVerdict: (verdict: keyof typeof VERDICTS) => void;
}

/** What this fly does, what is offered to be done with it and why, and what the tier made of it. */
export function VerdictOf({ record, report, onVerdict }: VerdictProps) {
  const style = useStyle();
  const { asTied, verdict, fromStep, why, snip, measured } = report;
  const sink = asTied.sink_mm_s;
  return (
    <section aria-label="Verdict" className="px-4 py-3">
      <h2 className="text-sentence font-bold">Fly {report.number}</h2>
      <p>
        rides <b>{rideWords(asTied.ride)}</b>
        {asTied.tipping !== null && `, its eyes ${formatNumber(asTied.tipping, 1, style)} × what turns it over`};{' '}
        {sink === null ? 'floats' : `falls at ${words(formatSpeed(sink, style))}`}
        {asTied.holdsTo_mm_s !== null && `; a swing over ${words(formatSpeed(asTied.holdsTo_mm_s, style))} rolls it`}
      </p>
      <p className="text-label italic text-ink2">
        by {measured.found} of {measured.of} measures; the rest as planned
      </p>
      <p className="mt-2">
        Offered: <b>{VERDICTS[verdict].words}</b>
        {fromStep !== null && `, from step ${String(fromStep)}`}
        {snip !== null && <span className="block">{snip}</span>}
      </p>
      <ul className="text-ink2">
        {why.slice(0, 4).map((each) => (
          <li key={each} className="first-letter:uppercase">
            {each}
          </li>
        ))}
      </ul>
      <div role="group" aria-label="What became of it" className="flex flex-wrap gap-2 mt-2">
        {(Object.keys(VERDICTS) as (keyof typeof VERDICTS)[]).map((each) => (
          <button
            key={each}
            type="button"
            aria-pressed={record.verdict === each}
            className={`sheet-button whitespace-nowrap ${record.verdict === each ? 'primary' : ''}`}
            onClick={() => onVerdict(each)}
          >
            {VERDICTS[each].words} <span className="plain-key">{VERDICTS[each].key}</span>
          </button>
        ))}
      </div>
    </section>
  );
}

const UNITS = { mm: 'length', mg: 'mass', share: 'share' } as const;

function valueWords(value: number, unit: keyof typeof UNITS, style: Style): string {
  if (unit === 'share') return `${formatNumber(100 * value, 1, style)} %`;
  return words(unit === 'mm' ? formatLength(value, style) : formatMass(value, style));
}

type Learnt = InspectReport['learnt'][number];

interface TeachesProps {
  readonly learnt: readonly Learnt[];
  readonly takes: readonly Takeable[];
}

const KEYS = ['T', 'Y'] as const;

/** What the flies on the table teach, each with its interval, what it would move, and where it is taken to. */
export function Teaches({ learnt, takes }: TeachesProps) {
  const style = useStyle();
  if (learnt.length === 0) return null;
  return (
    <section aria-label="What it teaches" className="px-4 py-3 border-t border-hair">
      <h2 className="font-bold">What it teaches</h2>
      {learnt.map((each) => {
        const at = takes.findIndex((take) => take.learnt === each);
        const take = takes[at];
        return (
          <div key={`${each.what} ${each.hand ?? ''}`} className="border-t border-hair py-1.5">
            <p>
              <b className="first-letter:uppercase inline-block">{each.words}</b>:{' '}
              {valueWords(each.now, each.unit, style)}, not {valueWords(each.was, each.unit, style)}
            </p>
            <p className="text-label italic text-ink2">
              {valueWords(each.interval[0], each.unit, style)} to {valueWords(each.interval[1], each.unit, style)}, 19
              times in 20; {each.why}
            </p>
            {take && take.moves.length > 0 && (
              <p className="text-label">With it: {take.moves.slice(0, 4).join('; ')}.</p>
            )}
            {take && (
              <button type="button" className="sheet-button mt-1" onClick={take.run}>
                {take.does} {KEYS[at] !== undefined && <span className="plain-key">{KEYS[at]}</span>}
              </button>
            )}
          </div>
        );
      })}
    </section>
  );
}
