import { useState } from 'react';
import type { ReadingKind } from '@jobbet/core/instruments';
import { BAUD_RATES, browserSerial, SerialInstrument } from './serialPort.ts';
import { SimulatedPort } from './simulatedPort.ts';
import { connect, useInstruments } from './store.ts';

const USUAL_BAUD = 9600;

/** The way to a caliper or scale on the serial port, where the browser has one. */
export function RealPort({ kind, simulated }: { readonly kind: ReadingKind; readonly simulated: boolean }) {
  const [baud, setBaud] = useState<number>(USUAL_BAUD);
  const serial = browserSerial();
  if (!serial) return <span title="This browser reaches no serial port; Chromium does.">no serial port here</span>;
  const take = async (): Promise<void> => {
    try {
      await connect(new SerialInstrument(await serial.requestPort(), baud));
    } catch (error) {
      // Closing the browser's list of ports without choosing is no trouble.
      if (error instanceof DOMException && error.name === 'NotFoundError') return;
      const { seed } = useInstruments.getState();
      await connect(new SimulatedPort(kind, seed));
      const why = error instanceof Error ? error.message : '';
      useInstruments.setState({ problem: `It could not be opened: is another program using it? ${why}` });
    }
  };
  if (!simulated)
    return (
      <button
        type="button"
        className="underline"
        onClick={() => void connect(new SimulatedPort(kind, useInstruments.getState().seed))}
      >
        unplug
      </button>
    );
  return (
    <span className="flex items-baseline gap-1.5">
      <button type="button" className="underline" onClick={() => void take()}>
        use a real one
      </button>
      at
      <select
        className="field"
        aria-label="baud"
        value={baud}
        onChange={(event) => setBaud(Number(event.target.value))}
      >
        {BAUD_RATES.map((rate) => (
          <option key={rate} value={rate}>
            {rate} baud
          </option>
        ))}
      </select>
    </span>
  );
}
