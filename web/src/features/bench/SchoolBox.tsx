import { followAll, type Standing } from '@jobbet/core/checks';
import type { School } from '@jobbet/core/data';
import { relationWords } from '@jobbet/core/tying';
import { formatLength } from '@jobbet/core/units';
import { useStyle } from '../../shared/settings/settings.ts';
import { say } from '../../shared/ui/toast.ts';
import { ChoiceField } from '../../shared/fields/Fields.tsx';
import { changeOrSay, useBench, useBenchStore } from '../../fly/store.ts';
import { changeUndoable } from '../../fly/undoable.ts';
import { schoolIn, standingOf } from './useStanding.ts';

const WIDE = 224;

/** What the file calls a school by. */
const idOf = (school: School): string => school.also?.[0] ?? school.name;

/** The band a school keeps a measure in, and where the measure stands in it. */
function BandMark({ at }: { readonly at: Standing }) {
  const style = useStyle();
  const span = Math.max(at.highMm - at.lowMm, 1);
  const [from, to] = [Math.min(at.lowMm, at.valueMm) - 0.35 * span, Math.max(at.highMm, at.valueMm) + 0.35 * span];
  const x = (mm: number): number => ((mm - from) / (to - from)) * WIDE;
  const mm = (value: number): string => formatLength(value, style).figure;
  return (
    <svg
      width={WIDE}
      height={40}
      role="img"
      aria-label={`${mm(at.valueMm)}, within ${mm(at.lowMm)} to ${mm(at.highMm)}: ${at.within ? 'yes' : 'no'}`}
    >
      <rect
        x={x(at.lowMm)}
        width={x(at.highMm) - x(at.lowMm)}
        y={10}
        height={10}
        className="fill-band stroke-measure"
        strokeWidth={0.8}
      />
      <line x1={0} x2={WIDE} y1={20} y2={20} className="stroke-rule" strokeWidth={0.8} />
      <path d={`M${String(x(at.valueMm))} 22l-4 -8h8z`} className={at.within ? 'fill-ink' : 'fill-warn'} />
      {[at.lowMm, at.highMm].map((value) => (
        <text key={value} x={x(value)} y={34} textAnchor="middle" fontSize={11} className="fill-ink2">
          {mm(value)}
        </text>
      ))}
    </svg>
  );
}

/** What the fly's school says of the chosen part: its band, the reason, and the way back to it. */
export function StandingBox({ id }: { readonly id: string }) {
  const bench = useBenchStore();
  const laid = useBench((state) => state.calm);
  const drawers = useBench((state) => state.drawers);
  const school = schoolIn(drawers, laid.file.school);
  const at = standingOf(laid, id, drawers);
  if (!school || !at) return null;
  return (
    <div className="px-4 py-3 border-t border-hair" data-testid="standing">
      <BandMark at={at} />
      <p>
        <b>{school.name}</b> gives <span className="italic text-measure">{relationWords(at.rule)}</span>: {at.why}.{' '}
        {at.follows
          ? 'It follows.'
          : at.within
            ? 'Its own relation, within the band.'
            : 'Its own relation, outside the band.'}
      </p>
      {!at.follows && (
        <button
          type="button"
          className="underline underline-offset-2 text-ink2 hover:text-ink"
          onClick={() => changeOrSay(bench, at.file)}
        >
          Follow the school again
        </button>
      )}
    </div>
  );
}

/** Which school the fly follows, and all of it back to that. */
export function SchoolChoice() {
  const bench = useBenchStore();
  const laid = useBench((state) => state.calm);
  const drawers = useBench((state) => state.drawers);
  const school = schoolIn(drawers, laid.file.school);
  const take = (word: string): void => {
    const { school: _old, ...rest } = bench.getState().file;
    changeOrSay(bench, word === '' ? rest : { ...rest, school: word });
  };
  const follow = (): void => {
    if (!school) return;
    const { file, changed } = followAll(laid, school, drawers);
    if (changed.length === 0) say('Every part follows already, as far as the school speaks of it.');
    else changeUndoable(bench, file, `${changed.join(', ')} follow the school again.`);
  };
  return (
    <p className="px-4 pt-1 pb-3 leading-[1.9]">
      Tied after the school{' '}
      <ChoiceField
        label="school"
        value={school ? idOf(school) : ''}
        options={drawers.schools.map((each) => [idOf(each), each.name] as const)}
        empty="of its own"
        onChange={take}
      />
      {school && (
        <>
          {' '}
          ({school.means}).{' '}
          <button type="button" className="underline underline-offset-2 text-ink2 hover:text-ink" onClick={follow}>
            Follow it again in all parts
          </button>
        </>
      )}
    </p>
  );
}
