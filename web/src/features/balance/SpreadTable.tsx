import { figureOf, readTypedNumber } from '@jobbet/core/units';
import { MOST_SPREAD, USUAL_SPREADS, type Spread } from '@jobbet/core/study';
import { useState } from 'react';
import { offWords, spreadScale, spreadUnit, spreadWords, type Off } from './handWords.ts';

interface SpreadTableProps {
  readonly spreads: readonly Spread[];
  readonly off: Off;
  readonly onOff: (off: Off) => void;
  readonly onSigma: (key: string, sigma: number) => void;
  readonly onUsual: () => void;
}

/** How far off each thing comes out as a rule, and a slider to have it off on the fly that is shown. */
export function SpreadTable({ spreads, off, onOff, onSigma, onUsual }: SpreadTableProps) {
  const anyOff = Object.values(off).some((each) => each !== 0);
  const anyOwn = spreads.some((each) => each.sigma !== USUAL_SPREADS[each.kind]);
  return (
    <>
      <p className="text-ink2 mt-1">
        Two in three come out within the figure. The slider shows the fly that far off, on the dial and in all figures.{' '}
        {anyOwn && (
          <button type="button" className="underline underline-offset-2" onClick={onUsual}>
            The usual figures
          </button>
        )}{' '}
        {anyOff && (
          <button type="button" className="underline underline-offset-2" onClick={() => onOff({})}>
            As planned <span className="plain-key">Esc</span>
          </button>
        )}
      </p>
      <table className="w-full text-left leading-tight mt-1" aria-label="How far off things come out">
        <thead className="sr-only">
          <tr>
            <th>what</th>
            <th>standard deviation</th>
            <th>shown off by</th>
          </tr>
        </thead>
        <tbody>
          {spreads.map((spread) => (
            <SpreadRow key={spread.key} spread={spread} off={off} onOff={onOff} onSigma={onSigma} />
          ))}
        </tbody>
      </table>
    </>
  );
}

/** The slider reaches so many standard deviations, or so many of the usual ones where there are none. */
const REACH = 3;
const STEPS = 30;

function SpreadRow({
  spread,
  off,
  onOff,
  onSigma,
}: { readonly spread: Spread } & Pick<SpreadTableProps, 'off' | 'onOff' | 'onSigma'>) {
  const { key, kind, sigma } = spread;
  const scale = spreadScale(kind);
  const words = spreadWords(spread);
  const [typed, setTyped] = useState<string | null>(null);
  const most = REACH * (sigma > 0 ? sigma : USUAL_SPREADS[kind]);
  const now = off[key] ?? 0;
  const shown = typed ?? String(Number((sigma * scale).toFixed(2)));
  const read = figureOf(readTypedNumber(shown, { least: 0, most: MOST_SPREAD[kind] * scale }));
  const wrong = read === null;
  return (
    <tr className="border-t border-hair">
      <th scope="row" className="font-normal py-0.5">
        {words}
      </th>
      <td>
        <input
          className="field w-14 text-right"
          inputMode="decimal"
          aria-label={`standard deviation of ${words}`}
          aria-invalid={wrong}
          title={wrong ? `0 to ${String(MOST_SPREAD[kind] * scale)} ${spreadUnit(kind)}` : undefined}
          value={shown}
          onChange={(event) => setTyped(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') event.currentTarget.blur();
            if (event.key === 'Escape') setTyped(null);
          }}
          onBlur={() => {
            if (typed !== null && !wrong && Math.abs(read / scale - sigma) > 1e-9) onSigma(key, read / scale);
            setTyped(null);
          }}
        />{' '}
        <span className="text-ink2">{spreadUnit(kind)}</span>
      </td>
      <td className="w-[300px]">
        <span className="flex items-center gap-2">
          <input
            type="range"
            className="w-36 accent-[var(--weight)]"
            aria-label={`${words}, off by`}
            aria-valuetext={now === 0 ? 'as meant' : offWords(kind, now)}
            min={-STEPS}
            max={STEPS}
            step={1}
            value={Math.round((now / most) * STEPS)}
            onChange={(event) => {
              const { [key]: _gone, ...rest } = off;
              const value = (Number(event.target.value) / STEPS) * most;
              onOff(value === 0 ? rest : { ...rest, [key]: value });
            }}
          />
          <span className={now === 0 ? 'text-ink3 italic' : ''}>{now === 0 ? 'as meant' : offWords(kind, now)}</span>
        </span>
      </td>
    </tr>
  );
}
