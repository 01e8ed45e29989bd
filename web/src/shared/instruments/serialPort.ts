import { LineSplitter } from '@jobbet/core/instruments';
import type { InstrumentPort } from './ports.ts';

/** What is used of a port of the Web Serial API (W3C draft community group report). */
export type SerialLike = Pick<SerialPort, 'readable' | 'open' | 'close'>;

export const BAUD_RATES = [1200, 2400, 4800, 9600, 19200, 38400, 115200] as const;

/** The browser's serial ports; null where it has none. */
export const browserSerial = (): Pick<Serial, 'requestPort'> | null =>
  (navigator as Partial<Pick<Navigator, 'serial'>>).serial ?? null;

/** A caliper or a scale on a serial port that sends a line of text for each reading. */
export class SerialInstrument implements InstrumentPort {
  readonly name = 'on the serial port';
  readonly simulated = false;
  private readonly port: SerialLike;
  private readonly baudRate: number;
  private reader: ReadableStreamDefaultReader<Uint8Array> | null = null;
  private closing = false;

  constructor(port: SerialLike, baudRate: number) {
    this.port = port;
    this.baudRate = baudRate;
  }

  /** @throws Error when the port is taken or gone */
  async open(heard: (line: string) => void, ended: (why: string) => void): Promise<void> {
    await this.port.open({ baudRate: this.baudRate });
    void this.listen(heard, ended);
  }

  async close(): Promise<void> {
    this.closing = true;
    await this.reader?.cancel().catch(() => undefined);
    await this.port.close();
  }

  /** Reads until the port ends; a parity or framing fault ends one stream, and the port gives the next. */
  private async listen(heard: (line: string) => void, ended: (why: string) => void): Promise<void> {
    const splitter = new LineSplitter();
    const decoder = new TextDecoder('ascii');
    let why = 'It was unplugged, or sends no more.';
    let stumbles = 0;
    for (
      let { readable } = this.port;
      !this.closing && readable && stumbles < MOST_STUMBLES;
      { readable } = this.port
    ) {
      this.reader = readable.getReader();
      try {
        for (let chunk = await this.reader.read(); !chunk.done; chunk = await this.reader.read()) {
          stumbles = 0;
          for (const line of splitter.take(decoder.decode(chunk.value, { stream: true }))) heard(line);
        }
        break;
      } catch (error) {
        stumbles++;
        why = error instanceof Error ? error.message : why;
      } finally {
        this.reader.releaseLock();
      }
    }
    if (this.closing) return;
    await this.port.close().catch(() => undefined);
    ended(why);
  }
}
/** Faults in a row after which the line is taken for dead. */
const MOST_STUMBLES = 5;
