import { capital, sentence } from '@jobbet/core/base';
import { type Fishes, type HangsOn, lineWords, nothingReaches } from '@jobbet/core/water';
import { formatNumber, MM_PER, saying, type Style } from '@jobbet/core/units';
import { Link } from 'react-router';
import { type Asking, carryTo } from './asking.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { leaveLongWork } from '../../shared/solve/solver.ts';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import type { BoxAnswer } from './reckon.ts';
import type { BoxHere, Fished } from './useFished.ts';

interface MarginProps {
  readonly fished: Fished;
  readonly box: BoxHere;
  readonly own: string;
  readonly asking: Asking;
  readonly onTake: (at: number) => void;
  readonly onEyes: () => void;
  readonly onTime: (t: number) => void;
}

const KEYS = ['T', 'Y'] as const;

/** What is said of it, what goes wrong with ways out of it, what it hangs on, and the box. */
export function Margin({
  fished: { whole, further, eyes, faults, shown },
  box,
  own,
  asking,
  onTake,
  onEyes,
  onTime,
}: MarginProps) {
  const said = whole?.words.filter((words) => !whole.wrong.some((fault) => fault.words === words)) ?? [];
  return (
    <aside
      aria-label="What the water does"
      className="w-[256px] max-[900px]:w-[200px] shrink-0 border-l border-hair overflow-y-auto px-4 py-2"
    >
      {faults.length > 0 && (
        <p role="alert" className="text-warn mb-2">
          {faults.map(({ path, message }) => `${path}: ${message}`).join('; ')}.
        </p>
      )}
      {whole ? (
        <>
          {said.map((words) => (
            <p key={words} className="mb-1.5">
              {sentence(words)}
            </p>
          ))}
          {whole.wrong.length > 0 && (
            <ul aria-label="What goes wrong" className="border-l-2 border-warn pl-2 my-2">
              {whole.wrong.map((fault) => (
                <li key={`${fault.what} ${String(fault.t)}`} className="mb-1.5">
                  <button type="button" className="text-left text-warn hover:underline" onClick={() => onTime(fault.t)}>
                    <SnagFlag /> {sentence(fault.words)}
                  </button>
                </li>
              ))}
            </ul>
          )}
        </>
      ) : (
        faults.length === 0 && shown !== null && <p className="text-ink2">Working out how sure it is</p>
      )}
      {further && further.ways.length > 0 && (
        <section aria-label="Ways to the wanted depth" className="my-2">
          <h2 className="font-bold">
            {further.ways[0]?.reaches === true ? 'To the wanted depth' : 'Nearest to the wanted depth'}
          </h2>
          {further.ways.map((way, i) => (
            <Way
              key={`${way.change} ${way.to}`}
              words={way.words}
              mm={way.lowestMm}
              costs={way.costs}
              keyName={KEYS[i]}
              onTake={() => onTake(i)}
            />
          ))}
        </section>
      )}
      {eyes && (
        <section aria-label="Other eyes" className="my-2">
          <h2 className="font-bold border-b border-hair">Or with other eyes</h2>
          <Way words={eyes.words} mm={eyes.lowestMm} costs={eyes.costs} keyName="U" onTake={onEyes} />
        </section>
      )}
      {further?.hangs && <Hangs hangs={further.hangs} />}
      <Box {...{ box, own, asking }} wantMm={shown?.asked.wantMm ?? null} />
    </aside>
  );
}

function Way({
  words,
  mm,
  costs,
  keyName,
  onTake,
}: {
  readonly words: string;
  readonly mm: number;
  readonly costs: string;
  readonly keyName: string | undefined;
  readonly onTake: () => void;
}) {
  const style = useStyle();
  return (
    <p className="border-t border-hair py-1">
      <button
        type="button"
        className="w-full flex justify-between gap-2 items-baseline text-left hover:text-measure"
        onClick={onTake}
      >
        <b>{capital(words)}</b>
        <span className="figure text-measure whitespace-nowrap">
          {saying(style).depth(mm)} {keyName !== undefined && <span className="plain-key">{keyName}</span>}
        </span>
      </button>
      <i className="text-label text-ink2">{costs}</i>
    </p>
  );
}

const INPUTS = {
  weight: 'the fly’s weight',
  leader: 'the leader’s thickness',
  line: 'the line',
  current: 'the current',
  depth: 'the water’s depth',
  temperature: 'or 3 °C warmer',
} as const;

/** By how much deeper or shallower. */
const byWords = (mm: number, { length, ...style }: Style): string =>
  length === 'in'
    ? `${formatNumber(mm / MM_PER.in, 0, { length, ...style })} in`
    : `${formatNumber(mm / MM_PER.cm, 0)} cm`;

/** What the greatest depth hangs on: a tenth more of each. */
function Hangs({ hangs }: { readonly hangs: HangsOn }) {
  const style = useStyle();
  const rows = (Object.entries(hangs) as [keyof HangsOn, number][])
    .filter(([, mm]) => !byWords(Math.abs(mm), style).startsWith('0 '))
    .sort(([, one], [, other]) => Math.abs(other) - Math.abs(one));
  if (rows.length === 0) return null;
  return (
    <section aria-label="What its depth hangs on" className="my-2">
      <h2 className="font-bold">A tenth more of</h2>
      {rows.map(([input, mm]) => (
        <p key={input} className="flex justify-between gap-2 border-t border-hair">
          <span>{INPUTS[input]}</span>
          <span className="figure">
            {byWords(Math.abs(mm), style)} {mm > 0 ? 'deeper' : 'shallower'}
          </span>
        </p>
      ))}
    </section>
  );
}

/** The flies of the box here. */
function Box({
  box: { working, answer, ask },
  own,
  asking,
  wantMm,
}: {
  readonly box: BoxHere;
  readonly own: string;
  readonly asking: Asking;
  readonly wantMm: number | null;
}) {
  return (
    <section aria-label="The box here" className="my-2 border-t border-hair pt-2">
      <h2 className="font-bold">
        The box here <span className="plain-key">B</span>
      </h2>
      {working !== null ? (
        <p role="status" className="flex gap-2 items-center text-ink2">
          Fishing each of them
          <progress className="w-20 accent-[var(--measure)]" value={working} aria-label="how many of them" />
          <button type="button" className="hover:text-ink" onClick={leaveLongWork}>
            Stop
          </button>
        </p>
      ) : answer ? (
        <>
          <Nothing answer={answer} wantMm={wantMm} />
          <ol>
            {answer.found.map((fly) => (
              <OneFly
                key={fly.id}
                fly={fly}
                own={fly.id === own}
                onOpen={() => carryTo(fly.id, asking, { ...fly, wantMm })}
              />
            ))}
          </ol>
        </>
      ) : (
        <button type="button" className="sheet-button mt-1" onClick={ask}>
          Which fly fishes here
        </button>
      )}
    </section>
  );
}

/** Where nothing of the box comes down to the wanted depth, and what would. */
function Nothing({ answer: { found, would }, wantMm }: { readonly answer: BoxAnswer; readonly wantMm: number | null }) {
  const { depth } = saying(useStyle());
  const nearest = nothingReaches(found, wantMm);
  if (!nearest || wantMm === null) return null;
  return (
    <p className="text-warn my-1">
      Nothing of yours comes to {depth(wantMm)} here: {nearest.name} goes deepest, {depth(nearest.lowestMm)}
      {would && (
        <>
          ; with {would.words} on {lineWords(would.line)} it would, {depth(would.lowestMm)}
        </>
      )}
      .
    </p>
  );
}

function OneFly({
  fly: { id, name, line, countS, lowestMm, against },
  own,
  onOpen,
}: {
  readonly fly: Fishes;
  readonly own: boolean;
  readonly onOpen: () => void;
}) {
  const style = useStyle();
  return (
    <li className="border-t border-hair py-0.5">
      <Link
        to={`/fly/${id}/water`}
        onClick={onOpen}
        className={`flex justify-between gap-2 hover:text-measure ${own ? 'font-bold' : ''}`}
      >
        <span className="truncate">{name}</span>
        <span className="figure">{saying(style).depth(lowestMm)}</span>
      </Link>
      <i className={`text-label ${against.length > 0 ? 'text-warn' : 'text-ink2'}`}>
        {against.length > 0 ? against.join(', ') : `${line}${countS > 0 ? `, count ${String(countS)}` : ''}`}
      </i>
    </li>
  );
}
