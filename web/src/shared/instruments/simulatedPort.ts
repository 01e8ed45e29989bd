import {
  type ReadingKind,
  CALIPER,
  caliperLine,
  SCALE,
  scaleLine,
  SimulatedInstrument,
} from '@jobbet/core/instruments';
import type { InstrumentPort } from './ports.ts';

/** A caliper or a scale that is not there: it sends lines as one would, of whatever it is told to hold. */
export class SimulatedPort implements InstrumentPort {
  readonly name: string;
  readonly simulated = true;
  private readonly kind: ReadingKind;
  private readonly instrument: SimulatedInstrument;
  private heard: ((line: string) => void) | null = null;

  constructor(kind: ReadingKind, seed: number) {
    this.kind = kind;
    this.name = kind === 'length' ? 'simulated caliper' : 'simulated scale';
    this.instrument = new SimulatedInstrument(kind === 'length' ? CALIPER : SCALE, seed);
  }

  open(heard: (line: string) => void): Promise<void> {
    this.heard = heard;
    return Promise.resolve();
  }

  close(): Promise<void> {
    this.heard = null;
    return Promise.resolve();
  }

  /** Presses its button. @param truth of what it holds, mm or mg */
  press(truth: number): void {
    const shown = this.instrument.read(truth);
    this.heard?.(this.kind === 'length' ? caliperLine(shown) : scaleLine(shown));
  }

  zero(): void {
    this.instrument.zero();
  }
}
