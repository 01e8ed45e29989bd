import type { LaidPart } from '@jobbet/core/model';
import { relationsOf } from '@jobbet/core/edit';
import { formatLength, formatMass, formatNumber } from '@jobbet/core/units';
import { useStyle } from '../../shared/settings/settings.ts';
import { keyWords } from './sentence.ts';
import { useBench } from '../../fly/store.ts';

/** What the part comes to: where it lies, how long it is and why, what it weighs. */
export function Results({ part }: { readonly part: LaidPart }) {
  const style = useStyle();
  const laid = useBench((state) => state.calm);
  const length = (mm: number): string => {
    const { figure, unit } = formatLength(mm, style);
    return `${figure} ${unit}`;
  };
  const mass = (mg: number): string => {
    const { figure, unit } = formatMass(mg, style);
    return `${figure} ${unit}`;
  };
  const { startMm, endMm, tipMm, lengthMm, bandMm } = part.extent;
  const station = (mm: number): string => formatNumber(mm / (laid.platform.shankMm / 10), 1, style);
  const why = relationsOf(part.file).flatMap(({ key }) => {
    const reading = part.extent.readings[key];
    return reading && reading.pieces.length > 0 ? [{ key, reading }] : [];
  });
  const row = 'flex gap-3 py-0.5';
  const name = 'w-[74px] shrink-0 italic text-ink3';
  return (
    <>
      <dl className="px-4 py-3 border-t border-hair" data-testid="results">
        <div className={row}>
          <dt className={name}>lies</dt>
          <dd>
            {Math.abs(endMm - startMm) < 0.05
              ? `station ${station(endMm)}`
              : `station ${station(startMm)} to ${station(endMm)}`}
            ,{' '}
            <span className="text-measure italic">
              {Math.abs(endMm - startMm) < 0.05 ? length(endMm) : `${length(startMm)} to ${length(endMm)}`}
            </span>
          </dd>
        </div>
        {tipMm !== null && (
          <div className={row}>
            <dt className={name}>free length</dt>
            <dd className="text-measure italic font-semibold">
              {length(lengthMm)}
              {bandMm ? (
                <span className="font-normal">
                  , band {length(bandMm[0])} to {length(bandMm[1])}
                </span>
              ) : (
                ''
              )}
            </dd>
          </div>
        )}
        {tipMm !== null && (
          <div className={row}>
            <dt className={name}>tip</dt>
            <dd>
              <span className="text-measure italic">{length(tipMm)}</span>,{' '}
              {tipMm >= laid.platform.landmarksMm.bend
                ? `${length(tipMm - laid.platform.landmarksMm.bend)} past the bend`
                : `${length(laid.platform.landmarksMm.bend - tipMm)} short of the bend`}
            </dd>
          </div>
        )}
        {part.built.turns !== null && (
          <div className={row}>
            <dt className={name}>turns</dt>
            <dd>{formatNumber(part.built.turns, Number.isInteger(part.built.turns) ? 0 : 1, style)}</dd>
          </div>
        )}
        <div className={row}>
          <dt className={name}>weighs</dt>
          <dd>
            <span className="text-weight font-semibold">{mass(part.massMg)}</span> dry,{' '}
            <span className="text-weight">{mass(part.submergedMg)}</span> under water
          </dd>
        </div>
      </dl>
      {why.length > 0 && (
        <dl className="px-4 py-3 border-t border-hair text-ink2">
          {why.map(({ key, reading }) => (
            <div key={key} className={row}>
              <dt className={name}>{keyWords(part.file, key)}</dt>
              <dd>
                {reading.pieces.length === 1 && reading.pieces[0]?.mm === reading.mm ? (
                  <>
                    {reading.pieces[0].text} is <span className="text-measure italic">{length(reading.mm)}</span>
                  </>
                ) : (
                  <>
                    {reading.pieces.map((each, i) => (
                      <span key={i}>
                        {i > 0 && !each.text.startsWith('−') ? ' + ' : ' '}
                        {each.text} <span className="text-measure italic">{formatLength(each.mm, style).figure}</span>
                      </span>
                    ))}{' '}
                    = <span className="text-measure italic">{length(reading.mm)}</span>
                  </>
                )}
              </dd>
            </div>
          ))}
        </dl>
      )}
      {(part.built.notes.length > 0 || cautionFor(part) !== null) && (
        <ul className="px-4 py-3 border-t border-hair text-ink2 space-y-1">
          {part.built.notes.map((note) => (
            <li key={note}>{note}.</li>
          ))}
          {cautionFor(part) !== null && <li className="italic">{cautionFor(part)}</li>}
        </ul>
      )}
    </>
  );
}

/** The usual caution where a part needs one; local rules come first. */
function cautionFor(part: LaidPart): string | null {
  if (part.built.material === 'lead')
    return 'Lead: wash your hands, keep it out of mouths; some waters ban it, look up the local rules. Lead-free is there too.';
  return null;
}
