import { seriesOf, pieceOf } from '@jobbet/core/instruments';
import { figureOf, readTyped } from '@jobbet/core/units';
import { seedOf } from '@jobbet/core/numeric';
import { useState, type ReactNode } from 'react';
import type { CommandTable } from '../commands/commands.ts';
import { useTable } from '../commands/useKeys.ts';
import { RealPort } from './RealPort.tsx';
import { SimulatedPort } from './simulatedPort.ts';
import {
  divideNext,
  leaveLastOut,
  press,
  startAgain,
  takeInHand,
  toggleInstruments,
  useInstruments,
  withSeed,
} from './store.ts';

/** What the stand-ins hold while nothing is aimed at: a rod of so much, a bead of so much. */
const SOMETHING = { length: 10, mass: 200 } as const;
const DROPS = [1, 10] as const;

const shown = (kind: 'length' | 'mass', value: number): string =>
  kind === 'length' ? `${value.toFixed(2)} mm` : `${value.toFixed(1)} mg`;

/** A typed truth; a bare number is mm or mg. */
const truthOf = (kind: 'length' | 'mass', text: string): number | null =>
  figureOf(readTyped(kind, text, { bare: kind === 'length' ? 'mm' : 'mg' }));

const INSTRUMENTS = {
  read: { name: 'Read, then the next piece', group: 'Instruments', keys: 'f8', inFields: true },
  caliper: { name: 'Caliper in hand', group: 'Instruments' },
  scale: { name: 'Scale in hand', group: 'Instruments' },
} as const satisfies CommandTable;

/** The strip at the foot of the window where a caliper or a scale is in hand. */
export function InstrumentStrip() {
  const { kind, port, target, readings, pieces, heard, problem } = useInstruments();
  /** The piece out of the packet that is held, and what it is said to be really instead. */
  const [piece, setPiece] = useState(0);
  const [typed, setTyped] = useState<string | null>(null);
  const seed = useInstruments((state) => state.seed);
  const nominal = target?.kind === kind ? (target.nominal ?? SOMETHING[kind]) : SOMETHING[kind];
  const stream = (seed + seedOf(target?.name ?? kind)) >>> 0;
  const one = (n: number): number =>
    (typed === null ? null : truthOf(kind, typed)) ?? pieceOf(nominal, kind, stream, n);
  const onPan = Array.from({ length: pieces }, (_, i) => one(piece + i)).reduce((sum, each) => sum + each, 0);
  const { simulated } = port;
  const read = (divide = false): void => {
    if (!simulated) divideNext();
    else press(kind === 'length' ? one(piece) : onPan, divide);
  };
  const readAndNext = (): void => {
    read();
    setPiece(piece + 1);
  };
  useTable('instruments', INSTRUMENTS, {
    read: simulated ? readAndNext : null,
    caliper: () => takeInHand('length'),
    scale: () => takeInHand('mass'),
  });
  const series = seriesOf(readings);
  return (
    <section
      aria-label="Instruments"
      className="shrink-0 border-t-2 border-dashed border-rule bg-sunk px-4 py-2 flex flex-wrap items-center gap-x-5 gap-y-1.5 no-print"
      data-testid="instruments"
    >
      <InHand kind={kind} />
      {simulated ? (
        <span className="font-semibold text-warn border border-warn px-1.5">simulated</span>
      ) : (
        <span className="font-semibold text-measure">{port.name}</span>
      )}
      {simulated && (
        <Held
          kind={kind}
          what={target?.kind === kind ? target.name : kind === 'length' ? 'a rod' : 'a bead'}
          piece={piece}
          truth={typed ?? shown(kind, one(piece))}
          onTruth={setTyped}
          onPiece={(n) => {
            setPiece(n);
            setTyped(null);
          }}
        />
      )}
      {kind === 'mass' && <Pan pieces={pieces} />}
      <ReadKeys onNext={readAndNext} onDivided={() => read(true)} />
      <Outcome
        into={target ? target.name : null}
        readings={readings.map((value) => value.toFixed(kind === 'length' ? 2 : 1))}
        series={
          series &&
          `${shown(kind, series.mean)}${series.sd === null ? '' : ` ± ${series.sd.toFixed(kind === 'length' ? 3 : 1)}`}, n ${String(series.n)}`
        }
        line={heard}
        problem={problem}
      />
      <div className="ml-auto flex items-center gap-3 text-ink2">
        {simulated && <Seed />}
        <RealPort kind={kind} simulated={simulated} />
        <button type="button" className="hover:text-ink" onClick={toggleInstruments}>
          put away <span className="plain-key">M</span>
        </button>
      </div>
    </section>
  );
}

/** Which instrument is in hand. */
function InHand({ kind }: { readonly kind: 'length' | 'mass' }) {
  return (
    <div role="group" aria-label="In hand" className="flex gap-3">
      {(['length', 'mass'] as const).map((each) => (
        <button
          key={each}
          type="button"
          aria-pressed={kind === each}
          className={kind === each ? 'font-bold border-b-2 border-ink' : 'text-ink2 hover:text-ink'}
          onClick={() => takeInHand(each)}
        >
          {each === 'length' ? 'caliper' : 'scale'}
        </button>
      ))}
    </div>
  );
}

interface ReadKeysProps {
  readonly onNext: () => void;
  readonly onDivided: () => void;
}

/** What takes a reading. */
function ReadKeys({ onNext, onDivided }: ReadKeysProps) {
  const { kind, port, pieces } = useInstruments();
  const { simulated } = port;
  return (
    <div className="flex gap-2">
      {simulated && (
        <>
          <button type="button" className="sheet-button primary" onClick={onNext} title="and take the next piece">
            Read <span className="opacity-70">F8</span>
          </button>
          <button
            type="button"
            className="sheet-button"
            onClick={() => {
              if (port instanceof SimulatedPort) port.zero();
            }}
          >
            Set to nought
          </button>
        </>
      )}
      {kind === 'mass' && pieces > 1 && (
        <button type="button" className="sheet-button" onClick={onDivided}>
          {simulated ? 'Read' : 'Next reading'}, divide by {pieces}
        </button>
      )}
    </div>
  );
}

/** What the simulated instruments begin their scatter from. */
function Seed() {
  const seed = useInstruments((state) => state.seed);
  return (
    <label className="flex items-baseline gap-1">
      seed
      <input
        className="field w-10"
        inputMode="numeric"
        value={String(seed)}
        onChange={(event) => {
          const next = Number(event.target.value);
          if (Number.isInteger(next) && next >= 0) withSeed(next);
        }}
      />
    </label>
  );
}

interface HeldProps {
  readonly kind: 'length' | 'mass';
  readonly what: string;
  readonly piece: number;
  readonly truth: string;
  readonly onTruth: (text: string) => void;
  readonly onPiece: (n: number) => void;
}

function Held({ kind, what, piece, truth, onTruth, onPiece }: HeldProps) {
  return (
    <span className="flex items-baseline gap-1.5 min-w-0">
      <span className="text-ink2">{kind === 'length' ? 'jaws on' : 'pieces of'}</span>
      <span className="font-semibold truncate max-w-56">{what}</span>
      <span className="text-ink2">
        no. <span data-testid="piece">{piece + 1}</span>
        <button type="button" className="underline ml-1.5" onClick={() => onPiece(piece + 1)}>
          next
        </button>
        , really
      </span>
      <input className="field" aria-label="really" value={truth} onChange={(event) => onTruth(event.target.value)} />
    </span>
  );
}

function Pan({ pieces }: { readonly pieces: number }) {
  const put = (count: number): void => useInstruments.setState({ pieces: Math.max(1, Math.min(200, count)) });
  return (
    <span className="flex items-baseline gap-2">
      <span>
        <b data-testid="pieces">{pieces}</b> <span className="text-ink2">on the pan</span>
      </span>
      {DROPS.map((count) => (
        <button key={count} type="button" className="underline" onClick={() => put(count === 1 ? pieces + 1 : count)}>
          {count === 1 ? 'drop one' : 'ten'}
        </button>
      ))}
      {pieces > 1 && (
        <button type="button" className="underline" onClick={() => put(1)}>
          only one
        </button>
      )}
    </span>
  );
}

interface OutcomeProps {
  readonly into: string | null;
  readonly readings: readonly string[];
  readonly series: string | null;
  readonly line: string;
  readonly problem: string | null;
}

function Outcome({ into, readings, series, line, problem }: OutcomeProps) {
  let words: ReactNode = <span className="text-ink3 italic">no reading yet</span>;
  if (series !== null)
    words = (
      <>
        <span className="text-ink3 truncate max-w-40" title={readings.join(', ')}>
          {readings.slice(-4).join(', ')}
        </span>
        <b className="text-measure" data-testid="series">
          {series}
        </b>
        <button type="button" className="underline" onClick={leaveLastOut} disabled={readings.length < 2}>
          leave the last out
        </button>
        <button type="button" className="underline" onClick={startAgain}>
          start again
        </button>
      </>
    );
  return (
    <span
      className="flex items-baseline gap-2.5 min-w-0"
      role="status"
      title={line === '' ? undefined : `as sent: ${line}`}
    >
      {words}
      <span className="text-ink2">
        {into === null ? (
          'Put the focus on a blank or a cell that takes it.'
        ) : (
          <>
            into <b className="font-semibold">{into}</b>
          </>
        )}
      </span>
      {problem !== null && <span className="text-warn font-semibold">{problem}</span>}
    </span>
  );
}
