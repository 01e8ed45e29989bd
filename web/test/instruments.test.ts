import type { Series } from '@jobbet/core/instruments';
import { jest } from '@jest/globals';
import { ReadableStream } from 'node:stream/web';
import { SerialInstrument, type SerialLike } from '../src/shared/instruments/serialPort.ts';
import { SimulatedPort } from '../src/shared/instruments/simulatedPort.ts';
import {
  aimAt,
  aimNowhere,
  connect,
  divideNext,
  leaveLastOut,
  press,
  takeInHand,
  toggleInstruments,
  useInstruments,
} from '../src/shared/instruments/store.ts';

type Script = readonly (string | Error)[];

/** A serial port that sends what it is told to: an Error breaks the stream, as a framing fault does, and the port gives the next. */
class ScriptedPort implements SerialLike {
  opened: number | null = null;
  closed = false;
  private readonly streams: Script[];
  private current: ReadableStream<Uint8Array> | null = null;

  constructor(...streams: Script[]) {
    this.streams = streams;
  }

  get readable(): globalThis.ReadableStream<Uint8Array> | null {
    if (this.current?.locked !== true) {
      const script = this.streams.shift();
      this.current = script ? streamOf(script) : null;
    }
    return this.current as unknown as globalThis.ReadableStream<Uint8Array> | null;
  }

  open({ baudRate }: { readonly baudRate: number }): Promise<void> {
    this.opened = baudRate;
    return Promise.resolve();
  }

  close(): Promise<void> {
    this.closed = true;
    return Promise.resolve();
  }
}

function streamOf(script: Script): ReadableStream<Uint8Array> {
  const left = [...script];
  return new ReadableStream<Uint8Array>({
    pull(controller) {
      const next = left.shift();
      if (next === undefined) controller.close();
      else if (next instanceof Error) controller.error(next);
      else controller.enqueue(Uint8Array.from(next, (letter) => letter.charCodeAt(0)));
    },
  });
}

const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 20));

/** Aims at something of one kind. @returns what has landed in it */
function aimed(kind: 'length' | 'mass', id: string = kind): Series[] {
  const landed: Series[] = [];
  aimAt({ id, kind, name: `the ${id}`, land: (series) => landed.push(series) });
  return landed;
}

beforeEach(() => {
  aimNowhere();
  useInstruments.setState({ open: false, kind: 'length', pieces: 1, seed: 1, readings: [], heard: '', problem: null });
});

describe('the serial port', () => {
  test('lines come whole, at the rate asked for, and the end is told', async () => {
    const port = new ScriptedPort(['+14.8', '7 mm\r\n+14.88 mm\r', '\n+14.86', ' mm\r\n']);
    const lines: string[] = [];
    const ended = jest.fn();
    await new SerialInstrument(port, 4800).open((line) => lines.push(line), ended);
    await settled();
    expect([port.opened, lines]).toEqual([4800, ['+14.87 mm', '+14.88 mm', '+14.86 mm']]);
    expect([port.closed, ended.mock.calls.length]).toEqual([true, 1]);
  });

  test('a framing fault ends a stream, not the listening; faults without end do', async () => {
    const fault = new Error('framing');
    const port = new ScriptedPort(['+1.00 mm\r\n', fault], ['+2.00 mm\r\n']);
    const lines: string[] = [];
    await new SerialInstrument(port, 9600).open(
      (line) => lines.push(line),
      () => undefined,
    );
    await settled();
    expect(lines).toEqual(['+1.00 mm', '+2.00 mm']);
    const dead = new ScriptedPort(...Array.from({ length: 50 }, () => [fault]));
    const ended = jest.fn();
    await new SerialInstrument(dead, 9600).open(() => undefined, ended);
    await settled();
    expect(ended.mock.calls).toEqual([['framing']]);
  });

  test('put away, it says nothing more and is no loss', async () => {
    const port = new ScriptedPort(['+1.00 mm\r\n']);
    const ended = jest.fn();
    const instrument = new SerialInstrument(port, 9600);
    await instrument.open(() => undefined, ended);
    await instrument.close();
    await settled();
    expect([port.closed, ended.mock.calls.length]).toEqual([true, 0]);
  });

  test('its readings land as those of a stand-in do; when it dies the stand-in is back and says why', async () => {
    const landed = aimed('length');
    await connect(new SerialInstrument(new ScriptedPort(['+14.87 mm\r\n+14.89 mm\r\n']), 9600));
    await settled();
    expect(landed.at(-1)).toEqual({ n: 2, mean: expect.closeTo(14.88), sd: expect.closeTo(0.0141, 3) });
    expect(useInstruments.getState().port.simulated).toBe(true);
    expect(useInstruments.getState().problem).toContain('The line went dead');
  });
});

describe('readings', () => {
  /** A port that sends what the test says. */
  const spoken = async (): Promise<(line: string) => void> => {
    let say: (line: string) => void = () => undefined;
    await connect({
      name: 'spoken',
      simulated: false,
      open: (heard) => {
        say = heard;
        return Promise.resolve();
      },
      close: () => Promise.resolve(),
    });
    return (line) => {
      say(line);
    };
  };

  test('one lands as it is, several as their mean and spread; the last can be left out', async () => {
    const say = await spoken();
    const landed = aimed('length');
    say('+10.00 mm');
    say('+10.02 mm');
    say('+19.00 mm');
    expect(landed.map(({ n }) => n)).toEqual([1, 2, 3]);
    leaveLastOut();
    expect(landed.at(-1)).toMatchObject({ n: 2, mean: expect.closeTo(10.01) });
  });

  test('another blank begins another series', async () => {
    const say = await spoken();
    aimed('length', 'shank');
    say('+10.00 mm');
    const gap = aimed('length', 'gap');
    say('+6.00 mm');
    expect(gap).toEqual([{ n: 1, mean: 6, sd: null }]);
  });

  test.each([
    ['US, + 0.562 g', 'Not settled'],
    ['+10.00 mm', 'That is a length; the mass takes a weight.'],
    ['ST, - 0.002 g', 'set it to nought'],
    ['ERR', 'no reading'],
  ])('%s does not land, and says why', async (line, why) => {
    const say = await spoken();
    const landed = aimed('mass');
    say(line);
    expect([landed, useInstruments.getState().problem]).toEqual([[], expect.stringContaining(why)]);
    say('ST, + 0.562 g');
    expect([landed.length, useInstruments.getState().problem]).toEqual([1, null]);
  });

  test('ten on the scale, divided by ten', async () => {
    const say = await spoken();
    const landed = aimed('mass');
    useInstruments.setState({ pieces: 10 });
    divideNext();
    say('ST, + 5.620 g');
    expect(landed).toEqual([{ n: 10, mean: 562, sd: null }]);
  });
});

describe('the stand-ins', () => {
  test('the one that fits is taken in hand, and its button sends a line', async () => {
    const landed = aimed('mass');
    toggleInstruments();
    await settled();
    expect([useInstruments.getState().kind, useInstruments.getState().port.name]).toEqual(['mass', 'simulated scale']);
    press(562);
    expect(landed[0]?.mean).toBeGreaterThan(550);
    expect(landed[0]?.mean).toBeLessThan(574);
    aimed('length');
    expect(useInstruments.getState().kind).toBe('length');
    takeInHand('mass');
    await settled();
    expect(useInstruments.getState().port).toBeInstanceOf(SimulatedPort);
  });
});
