import type { LaidPart } from '@jobbet/core/model';
import { behindFront, placeWords, relationWords } from '@jobbet/core/tying';
import { relationsOf } from '@jobbet/core/edit';
import { formatLength, formatMass, formatNumber, saying, type Style } from '@jobbet/core/units';
import type { ReactNode } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { keyWords } from './sentence.ts';
import { useBench } from '../../fly/store.ts';

const lengthWords = (mm: number, style: Style): string => Object.values(formatLength(mm, style)).join(' ');
const massWords = (mg: number, style: Style): string => Object.values(formatMass(mg, style)).join(' ');

/** Nearer together than this, two ends are one place. mm */
const ONE_PLACE = 0.05;

/** What the part comes to: where it lies, how long it is and why, what it weighs. */
export function Results({ part }: { readonly part: LaidPart }) {
  const style = useStyle();
  const { turns, notes } = part.built;
  const caution = cautionFor(part);
  return (
    <>
      <dl className="px-4 py-3 border-t border-hair" data-testid="results">
        <Lies part={part} />
        <Tip part={part} />
        {turns !== null && <Row name="turns">{formatNumber(turns, Number.isInteger(turns) ? 0 : 1, style)}</Row>}
        <Row name="weighs">
          <span className="text-weight font-semibold">{massWords(part.massMg, style)}</span> dry,{' '}
          <span className="text-weight">{massWords(part.submergedMg, style)}</span> under water
        </Row>
      </dl>
      <Reckoning part={part} />
      {(notes.length > 0 || caution !== null) && (
        <ul className="px-4 py-3 border-t border-hair text-ink2 space-y-1">
          {notes.map((note) => (
            <li key={note}>{note}.</li>
          ))}
          {caution !== null && <li className="italic">{caution}</li>}
        </ul>
      )}
    </>
  );
}

function Row({ name, children }: { readonly name: string; readonly children: ReactNode }) {
  return (
    <div className="flex gap-3 py-0.5">
      <dt className="w-[74px] shrink-0 italic text-ink3">{name}</dt>
      <dd>{children}</dd>
    </div>
  );
}

/** Where it lies along the shank, as a tier says it; its stations, which the drawing is ruled by, are a hover away. */
function Lies({ part }: { readonly part: LaidPart }) {
  const style = useStyle();
  const calm = useBench((state) => state.calm);
  const { startMm, endMm } = part.extent;
  const station = (mm: number): string => formatNumber((10 * mm) / calm.platform.shankMm, 1, style);
  const one = Math.abs(endMm - startMm) < ONE_PLACE;
  return (
    <Row name="lies">
      <span
        className="text-measure italic"
        title={`station ${one ? station(endMm) : `${station(startMm)} to ${station(endMm)}`}`}
      >
        {one
          ? placeWords(calm, style, part.file.id)(endMm)
          : `${saying(style).stretch(startMm, endMm)} ${behindFront(calm)}`}
      </span>
    </Row>
  );
}

/** How long it is free, and where its tip comes; nothing for a part without one. */
function Tip({ part }: { readonly part: LaidPart }) {
  const style = useStyle();
  const { bend } = useBench((state) => state.calm.platform.landmarksMm);
  const { tipMm, lengthMm, bandMm } = part.extent;
  const length = (mm: number): string => lengthWords(mm, style);
  if (tipMm === null) return null;
  return (
    <>
      <Row name="free length">
        <span className="text-measure italic font-semibold">
          {length(lengthMm)}
          {bandMm && (
            <span className="font-normal">
              , band {length(bandMm[0])} to {length(bandMm[1])}
            </span>
          )}
        </span>
      </Row>
      <Row name="tip">
        {tipMm < 0 ? (
          <>
            <span className="text-measure italic">{length(-tipMm)}</span> ahead of the eye
          </>
        ) : (
          <>
            <span className="text-measure italic">{length(tipMm)}</span>,{' '}
            {tipMm >= bend ? `${length(tipMm - bend)} past the bend` : `${length(bend - tipMm)} short of the bend`}
          </>
        )}
      </Row>
    </>
  );
}

/** What each relation came to, term by term. */
function Reckoning({ part }: { readonly part: LaidPart }) {
  const style = useStyle();
  const why = relationsOf(part.file).flatMap(({ key }) => {
    const reading = part.extent.readings[key];
    return reading && reading.pieces.length > 0 ? [{ key, reading }] : [];
  });
  if (why.length === 0) return null;
  return (
    <dl className="px-4 py-3 border-t border-hair text-ink2">
      {why.map(({ key, reading: { mm, pieces } }) => (
        <Row key={key} name={keyWords(part.file, key)}>
          {pieces.length === 1 && pieces[0]?.mm === mm
            ? `${relationWords(pieces[0].text)} is `
            : pieces.map((each, i) => (
                <span key={i}>
                  {i > 0 && !each.text.startsWith('−') ? ' + ' : ' '}
                  {relationWords(each.text)}{' '}
                  <span className="text-measure italic">{formatLength(each.mm, style).figure}</span>
                  {i === pieces.length - 1 && ' = '}
                </span>
              ))}
          <span className="text-measure italic">{lengthWords(mm, style)}</span>
        </Row>
      ))}
    </dl>
  );
}

/** The usual caution where a part needs one; local rules come first. */
const cautionFor = (part: LaidPart): string | null =>
  part.built.figuredAs === 'lead'
    ? 'Lead: wash your hands, keep it out of mouths; some waters ban it, look up the local rules. Lead-free is there too.'
    : null;
