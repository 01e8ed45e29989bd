import { shareOff } from '@jobbet/core/drill';
import { screenX, screenY, type View, viewOf } from '@jobbet/core/drawing';
import { formatLength, parseQuantity } from '@jobbet/core/units';
import { type PointerEvent, useMemo, useRef, useState } from 'react';
import { FlyCanvas } from '../../shared/drawing/FlyCanvas.tsx';
import { useInstruments } from '../../shared/instruments/store.ts';
import { TextField } from '../../shared/fields/Fields.tsx';
import { useTable } from '../../shared/commands/useKeys.ts';
import { useSettings, useStyle } from '../../shared/settings/settings.ts';
import { useSize } from '../../shared/ui/useSize.ts';
import { Clump } from './Clump.tsx';
import { PULLS } from './commands.ts';
import { measured, offWords } from './words.ts';
import { Question } from './Question.tsx';
import { pullQuestion, type PullQuestion } from './pullQuestion.ts';
import { momentOf } from './rounds.ts';
import type { TaskProps } from './task.ts';

/** A key moves the tip by so many px, by fewer with shift. */
const [STEP, BIT] = [6, 1] as const;
/** Bare sheet at the eye's side, px; the longest pull there is, shanks. */
const AHEAD = 70;
const LONGEST_SHANKS = 2.5;

/** A tip that is pulled by eye; only once it is let go the truth lies over it. */
export function Pull({ of, ...props }: TaskProps & { readonly of: 'length' | 'butts' }) {
  const [question] = useState(() => pullQuestion(props.rounds, of, props.seed, momentOf(new Date()), props.only));
  return question ? <Pulling {...props} question={question} /> : <p className="p-6">There is no hook to ask of.</p>;
}

function usePlaced({ laid, size }: PullQuestion, width: number, height: number) {
  const { hand, screenPxPerMm, drillTrue } = useSettings();
  const { shankMm } = laid.platform;
  const most = LONGEST_SHANKS * shankMm;
  const fits = (width - AHEAD - 30) / most;
  const scale = drillTrue && screenPxPerMm !== null ? screenPxPerMm : fits * size;
  const view = useMemo(
    () => viewOf('profile', hand === 'right' ? width - AHEAD : AHEAD, height * 0.5, scale, hand),
    [hand, width, height, scale],
  );
  return { view, scale, mostMm: most };
}

function Pulling({ question, seed, told, onAnswer, onNext }: TaskProps & { readonly question: PullQuestion }) {
  const { ask, laid, on, platform } = question;
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const { view, scale, mostMm } = usePlaced(question, width, height);
  const longest = mostMm - ask.fromMm;
  const [pulled, setPulled] = useState(question.begins * longest);
  const { hand } = useSettings();
  const clamped = (mm: number): number => Math.max(0.2, Math.min(longest, mm));
  const by = (px: number) => (told ? null : () => setPulled((mm) => clamped(mm + px / scale)));
  const letGo = (mm: number, simulated = false): void =>
    onAnswer(
      {
        on,
        platform: platform.kind,
        asked: ask.asked,
        direction: ask.direction,
        truth: measured(ask.truthMm),
        given: measured(mm),
      },
      simulated,
    );
  const away = hand === 'right' ? 1 : -1;
  useTable('drill-task', PULLS, {
    letGo: told ? onNext : () => letGo(pulled),
    left: by(away * STEP),
    right: by(-away * STEP),
    leftBit: by(away * BIT),
    rightBit: by(-away * BIT),
  });
  const root = placeAt(view, question, 0);
  const tip = placeAt(view, question, pulled);
  const turn = told ? 0 : question.turnDeg;
  const mmAt = (event: PointerEvent): number => clamped(mmUnder(event, frame.current, turn, view, question) ?? pulled);
  const views = useMemo(() => [view], [view]);
  return (
    <>
      <Question>{ask.words}</Question>
      <div ref={frame} className="relative flex-1 min-h-[240px] overflow-hidden touch-none" data-testid="pull">
        <div className="absolute inset-0" style={{ transform: `rotate(${String(turn)}deg)` }}>
          {width > 0 && (
            <>
              <FlyCanvas laid={laid} views={views} width={width} height={height} mode="dressed" />
              <svg width={width} height={height} className="absolute inset-0 overflow-visible" aria-hidden="true">
                {ask.wingMm !== null && (
                  <Clump from={root} to={placeAt(view, question, ask.wingMm)} seed={seed + 1} stroke="var(--ink2)" />
                )}
                {ask.of === 'length' ? (
                  <Clump from={root} to={tip} seed={seed} stroke="var(--shape)" />
                ) : (
                  <>
                    <Cut at={root} from />
                    <Cut at={tip} />
                  </>
                )}
                {told && <Truth {...{ view, question }} givenMm={Number(told.given)} />}
              </svg>
              {!told && (
                <Tip at={tip} label={ask.words} mmAt={mmAt} onPull={setPulled} onLet={(mm) => letGo(mm ?? pulled)} />
              )}
            </>
          )}
        </div>
        {told ? (
          <Said question={question} givenMm={Number(told.given)} />
        ) : (
          <AtTheVise aboutMm={ask.truthMm} onRead={letGo} />
        )}
      </div>
    </>
  );
}

/** Where along the pull a pointer is, mm, whatever way the sheet is turned; null before the sheet is there. */
function mmUnder(
  { clientX, clientY }: PointerEvent,
  sheet: HTMLElement | null,
  turnDeg: number,
  view: View,
  question: PullQuestion,
): number | null {
  const box = sheet?.getBoundingClientRect();
  if (!box) return null;
  const rad = (-turnDeg * Math.PI) / 180;
  const [dx, dy] = [clientX - box.left - box.width / 2, clientY - box.top - box.height / 2];
  const x = dx * Math.cos(rad) - dy * Math.sin(rad) + box.width / 2;
  const y = dx * Math.sin(rad) + dy * Math.cos(rad) + box.height / 2;
  const [root, one] = [placeAt(view, question, 0), placeAt(view, question, 1)];
  const [wx, wy] = [one[0] - root[0], one[1] - root[1]];
  return ((x - root[0]) * wx + (y - root[1]) * wy) / (wx ** 2 + wy ** 2);
}

interface TipProps {
  readonly at: readonly [number, number];
  readonly label: string;
  readonly mmAt: (event: PointerEvent) => number;
  readonly onPull: (mm: number) => void;
  /** Lets it go where a pointer left it; nothing where a key did. */
  readonly onLet: (mm: number | null) => void;
}

/** The tip: pulled by a pointer, let go by it or by Enter. */
function Tip({ at, label, mmAt, onPull, onLet }: TipProps) {
  const [held, setHeld] = useState<'still' | 'pulled' | null>(null);
  return (
    <button
      type="button"
      aria-label={`${label}. Pull the tip, or move it by the arrows; Enter lets it go.`}
      className="absolute w-11 h-11 -ml-[22px] -mt-[22px] cursor-ew-resize touch-none"
      style={{ left: at[0], top: at[1] }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setHeld('still');
      }}
      onPointerMove={(event) => {
        if (!held) return;
        setHeld('pulled');
        onPull(mmAt(event));
      }}
      onPointerUp={(event) => {
        // What was only touched is not let go yet.
        if (held === 'pulled') onLet(mmAt(event));
        setHeld(null);
      }}
      onPointerCancel={() => setHeld(null)}
      onClick={(event) => {
        // A press of Enter or blank is a click that no pointer made.
        if (event.detail === 0) onLet(null);
      }}
    >
      <svg viewBox="-22 -22 44 44" width={44} height={44} aria-hidden="true">
        <path d="M0-7L7 0L0 7L-7 0Z" fill="var(--pick)" stroke="var(--ink)" strokeWidth={1.4} />
        <path d="M-12-4L-18 0L-12 4ZM12-4L18 0L12 4Z" fill="var(--ink)" />
      </svg>
    </button>
  );
}

/** Where a length from the tie-in ends, px. */
function placeAt(view: View, { ask, laid }: PullQuestion, mm: number): readonly [number, number] {
  const run = mm / Math.hypot(1, ask.slope);
  const x = ask.fromMm + run;
  const z = laid.platform.surfaceMm * (ask.slope > 0 ? -1 : 1) - ask.slope * run;
  return [screenX(view, [x, 0, z]), screenY(view, [x, 0, z])];
}

/** Where something is to end on the shank, or from where it is asked. */
const Cut = ({ at: [x, y], from = false }: { readonly at: readonly [number, number]; readonly from?: boolean }) => (
  <path
    d={`M${x.toFixed(1)} ${(y - 22).toFixed(1)}V${(y + 22).toFixed(1)}`}
    stroke={from ? 'var(--ink2)' : 'var(--shape)'}
    strokeWidth={from ? 1.2 : 2.4}
  />
);

/** A sign of a label takes so much room, px; a piece that is shorter than its words goes without. */
const SIGN_PX = 6;

/** What was asked and what was given, as two lengths, and the truth laid along the shank. */
function Truth({
  view,
  question,
  givenMm,
}: {
  readonly view: View;
  readonly question: PullQuestion;
  readonly givenMm: number;
}) {
  const style = useStyle();
  const { ask } = question;
  const root = placeAt(view, question, 0);
  const [truth, given] = [placeAt(view, question, ask.truthMm), placeAt(view, question, givenMm)];
  const figure = (mm: number): string => `${formatLength(mm, style).figure} ${formatLength(mm, style).unit}`;
  const row = (to: readonly [number, number], y: number, words: string, colour: string) => (
    <g stroke={colour} fill={colour}>
      <path d={`M${root[0].toFixed(1)} ${String(y)}H${to[0].toFixed(1)}`} fill="none" strokeWidth={1.6} />
      <path d={`M${to[0].toFixed(1)} ${String(y - 5)}V${to[1].toFixed(1)}`} fill="none" strokeDasharray="5 4" />
      <text
        x={(root[0] + to[0]) / 2}
        y={y - 5}
        textAnchor="middle"
        stroke="var(--sheet)"
        strokeWidth={4}
        paintOrder="stroke"
        className="text-row"
      >
        {words}
      </text>
    </g>
  );
  const top = Math.min(root[1], truth[1], given[1]);
  return (
    <g>
      {row(truth, top - 70, `${ask.asked} ${figure(ask.truthMm)}`, 'var(--measure)')}
      {row(given, top - 38, `yours ${figure(givenMm)}`, 'var(--ink)')}
      {ask.slope === 0 &&
        ask.pieces.map(({ words, mm }, i) => {
          const from = ask.fromMm + ask.pieces.slice(0, i).reduce((sum, piece) => sum + piece.mm, 0);
          const [a, b] = [from, from + mm].map((x) => screenX(view, [x, 0, 0])) as [number, number];
          return (
            <g key={words + String(from)}>
              <rect
                x={Math.min(a, b)}
                y={top - 26}
                width={Math.abs(b - a)}
                height={16}
                fill="var(--band)"
                stroke="var(--measure)"
              />
              {Math.abs(b - a) > SIGN_PX * words.length && (
                <text
                  x={(a + b) / 2}
                  y={top - 14}
                  textAnchor="middle"
                  className="text-label italic"
                  fill="var(--measure)"
                >
                  {words}
                </text>
              )}
            </g>
          );
        })}
    </g>
  );
}

/** Nobody's eye is off by more: the hand slipped. */
const SLIP = 0.6;

/** How far off it was, in words: what a screen reader says of it. */
function Said({
  question: { ask, on, platform },
  givenMm,
}: {
  readonly question: PullQuestion;
  readonly givenMm: number;
}) {
  const style = useStyle();
  const off = shareOff({ truthMm: ask.truthMm, givenMm });
  const { figure, unit } = formatLength(Math.abs(givenMm - ask.truthMm), style);
  const truth = formatLength(ask.truthMm, style);
  return (
    <div role="status" className="absolute left-4 bottom-3 bg-sheet/90 px-1" data-testid="said">
      <p className="text-sentence font-bold">{offWords(off, style)}</p>
      {Math.abs(off) > SLIP && <p>So far off it may be a slip of the hand: Z takes it back.</p>}
      <p className="text-label italic text-ink2">
        {figure} {unit}; on a {platform.kind} {on}, {ask.asked} is {truth.figure} {truth.unit}
      </p>
    </div>
  );
}

/** The same question with a real hook and the caliper: what was tied is what was meant, what it measures is the answer. */
const AtTheVise = ({
  aboutMm,
  onRead,
}: {
  readonly aboutMm: number;
  readonly onRead: (mm: number, simulated?: boolean) => void;
}) => (
  <p className="absolute left-4 bottom-3 text-label italic text-ink2">
    or tied at the vise, it measures{' '}
    <TextField
      label="what it measures at the vise"
      value=""
      empty="by caliper"
      later
      unit="mm"
      measures={{ kind: 'length', nominal: aboutMm }}
      onReadings={(readings) => {
        const mm = readings.at(-1);
        if (mm !== undefined) onRead(mm, useInstruments.getState().port.simulated);
      }}
      onChange={(text) => {
        if (text.trim() === '') return [];
        const read = parseQuantity('length', text);
        if (!read.ok) return [{ path: '', code: read.code, message: read.message }];
        onRead(read.value);
        return [];
      }}
    />{' '}
    <span className="plain-key not-italic">M</span>
  </p>
);
