import { readLine, type ReadingKind, seriesOf, shareOf, type Series } from '@jobbet/core/instruments';
import { create } from 'zustand';
import type { InstrumentPort } from './ports.ts';
import { SimulatedPort } from './simulatedPort.ts';

/** What the readings that land in a blank or cell measure, and what that is nominally, mm or mg: the stand-ins hold a piece of that. */
export interface Measures {
  readonly kind: ReadingKind;
  readonly nominal?: number | undefined;
}

/** Where a reading lands: the blank or cell that had the focus last. */
export interface Target extends Measures {
  readonly id: string;
  /** `shank of salmon double 6`. */
  readonly name: string;
  /** Takes what the readings come to, mm or mg, again after each one; each of them, and whether they begin anew with it. */
  readonly land: (series: Series, readings: readonly number[], fresh: boolean) => void;
}

export interface InstrumentState {
  readonly open: boolean;
  readonly kind: ReadingKind;
  readonly port: InstrumentPort;
  readonly target: Target | null;
  readonly readings: readonly number[];
  /** Pieces lying on the scale together. */
  readonly pieces: number;
  /** The last line as it came, and why it was not taken. */
  readonly heard: string;
  readonly problem: string | null;
  readonly seed: number;
}

const SEED = 1;

export const useInstruments = create<InstrumentState>()(() => ({
  open: false,
  kind: 'length',
  port: new SimulatedPort('length', SEED),
  target: null,
  readings: [],
  pieces: 1,
  heard: '',
  problem: null,
  seed: SEED,
}));

const { getState, setState } = useInstruments;
const UNITS: Readonly<Record<ReadingKind, string>> = { length: 'a length', mass: 'a weight' };

/** Divides the next reading by the pieces on the pan, or takes it as it comes. */
let dividing = false;

/** Takes one line of the instrument. */
function hear(line: string): void {
  const divide = dividing;
  dividing = false;
  const read = readLine(line);
  const { target, readings, pieces } = getState();
  if (!read.ok) {
    setState({ heard: line, problem: read.faults[0]?.message ?? 'It is no reading.' });
    return;
  }
  const { kind, value, settled } = read.value;
  const refuse = (problem: string): void => setState({ heard: line, problem });
  if (!settled) {
    refuse('Not settled yet: wait for the next.');
    return;
  }
  if (target && target.kind !== kind) {
    refuse(`That is ${UNITS[kind]}; ${target.name} takes ${UNITS[target.kind]}.`);
    return;
  }
  if (value <= 0) {
    refuse('Nothing is in it, or its zero is off: set it to nought and read again.');
    return;
  }
  const shared = divide ? shareOf(value, pieces) : null;
  const next = shared ? [shared.mean] : [...readings, value];
  setState({ heard: line, problem: null, readings: next });
  const series = shared ?? seriesOf(next);
  if (target && series) target.land(series, next, readings.length === 0);
}

function dead(why: string): void {
  const { kind, seed } = getState();
  void connect(new SimulatedPort(kind, seed)).then(() => setState({ problem: `The line went dead. ${why}` }));
}

/** Listens to an instrument from now on instead of the one before. @throws Error when it cannot be opened */
export async function connect(port: InstrumentPort): Promise<void> {
  await getState().port.close();
  await port.open(hear, dead);
  setState({ port, readings: [], heard: '', problem: null });
}

/** Opens or closes the strip. */
export function toggleInstruments(): void {
  const { open, port, target, kind: last, seed } = getState();
  const kind = target?.kind ?? last;
  setState({ open: !open, kind });
  if (open) void port.close();
  else void connect(new SimulatedPort(kind, seed));
}

/** Takes the caliper or the scale in hand. */
export function takeInHand(kind: ReadingKind): void {
  const { kind: now, seed } = getState();
  if (kind === now) return;
  setState({ kind, readings: [], pieces: 1 });
  void connect(new SimulatedPort(kind, seed));
}

export function withSeed(seed: number): void {
  setState({ seed });
  void connect(new SimulatedPort(getState().kind, seed));
}

/** What has the focus now takes the readings; the series begins anew. The instrument that fits is taken in hand. */
export function aimAt(target: Target): void {
  const { target: now, open, port, kind } = getState();
  if (now?.id === target.id) {
    setState({ target });
    return;
  }
  setState({ target, readings: [], problem: null });
  if (open && port.simulated && kind !== target.kind) takeInHand(target.kind);
}

/** The view is left: nothing takes readings any more. */
export function aimNowhere(): void {
  setState({ target: null, readings: [], problem: null });
}

/** Presses the button of a stand-in. @param truth of what it holds, mm or mg @param divide by the pieces on the pan */
export function press(truth: number, divide = false): void {
  const { port } = getState();
  dividing = divide;
  if (port instanceof SimulatedPort) port.press(truth);
}

/** The next reading of a real scale is divided by the pieces on it. */
export function divideNext(): void {
  dividing = true;
}

/** Leaves the last reading out: a slip of the jaws. */
export function leaveLastOut(): void {
  const { readings, target } = getState();
  const next = readings.slice(0, -1);
  setState({ readings: next });
  const series = seriesOf(next);
  if (series) target?.land(series, next, false);
}

export function startAgain(): void {
  setState({ readings: [], problem: null, heard: '' });
}
