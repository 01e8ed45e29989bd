import { type FlyFile, readFlyValue } from '../pattern/index.ts';

/** The first fly anyone ties: four things anyone has, every step with why it is done. Eyes of melted nylon cord, a tail and body of wool, wire out of a cable. */
const FIRST = {
  format: 'jobbet.fly',
  version: 1,
  name: 'First Fly',
  notes:
    'One simple fly from the bare hook to the whip finish: thread, wool, thin copper wire out of a cable, a stub of nylon cord and clear varnish. Crush the barb before you begin; wear glasses.',
  intent: { ride: 'point-down', line: 'floating', manner: 'strip', water: { kind: 'fresh', temperature: '12 C' } },
  platform: { kind: 'single', size: '6', longX: 2, eye: 'straight', bend: 'round', barb: 'pinched' },
  thread: { denier: 140, colour: 'black' },
  head: 'neat',
  finish: { whips: 2, coats: ['varnish', 'varnish'] },
  parts: [
    {
      id: 'eyes',
      role: 'eyes',
      construction: 'ball',
      shape: 'plastic',
      material: 'nylon',
      diameter: '3 mm',
      at: 'station 1.6',
      note: 'Why: eyes are what a fish looks for, and these weigh next to nothing, so that the fly rides as the hook hangs. They go on first, while the shank is bare, so that the crossing turns hold. Right when: they do not turn under your thumb, and from the front both are as high.',
    },
    {
      id: 'tail',
      role: 'tail',
      construction: 'bundle',
      material: 'wool',
      colour: 'brown',
      dose: 'matchstick',
      at: 'bend',
      length: '1 shank',
      buttsTo: 'station 2.5',
      note: 'Why: the tail is what moves. Its butts run under the whole body, so that the body lies even. Right when: it is as long as the shank and lies in line with it. By eye: the drill asks you for one shank.',
    },
    {
      id: 'rib',
      role: 'rib',
      construction: 'wrap',
      material: 'copper wire 0.2 mm',
      strand: '0.2 mm',
      turns: 5,
      from: 'bend',
      to: 'station 2.5',
      direction: 'counter',
      note: 'Why: teeth cut wool; wire wound the other way over it holds it when they do. It is caught at the bend now and wound once the body is on. Right when: its five turns are evenly spaced.',
    },
    {
      id: 'body',
      role: 'body',
      construction: 'wrap',
      material: 'wool',
      colour: 'brown',
      diameter: '3 mm',
      from: 'bend',
      to: 'station 2.5',
      note: 'Why: a body gives the fly its outline. Wind it turn beside turn toward the eyes, tie it off behind them. Right when: it is as thick behind the eyes as at the bend.',
    },
  ],
} as const;

/** The first fly, as it is laid in the box. @throws never: a test reads it */
export function firstFly(): FlyFile {
  const read = readFlyValue(FIRST);
  if (!read.ok) throw new Error(read.faults.map(({ path, message }) => `${path}: ${message}`).join('; '));
  return read.value;
}
