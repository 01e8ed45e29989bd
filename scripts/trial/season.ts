import { readFileSync, writeFileSync } from 'node:fs';
import { readDocumentText } from '../../core/src/document/index.ts';
import { noise } from '../../core/src/numeric/index.ts';
import { type FlyFile, readFly } from '../../core/src/pattern/index.ts';
import { BEAT_KIND, type OutingFile, readRecord, type Rod, simulatedStation } from '../../core/src/records/index.ts';

/**
 * A season that nobody fished, written among the examples: thirty outings on the made-up river, with a planted truth. In high water a heavy
 * fly takes more than twice as often as a light one, in low water they do alike; its shade makes no difference; the eel's long tail wraps
 * about its bend until it is shortened in July. `node --import tsx scripts/trial/season.ts` writes the same files each time.
 */
const SEED = 41;
const OUTINGS = 30;
const HIGH_M = 0.62;
/** Takes an hour. */
const RATE = { heavyHigh: 1.5, otherwise: 0.4 } as const;
const SHORTENED = '2026-07-10';

let drawn = 0;
const chance = (): number => noise(SEED, drawn++, 0);
const among = <T>(all: readonly T[]): T => all[Math.floor(chance() * all.length)] as T;
function poisson(mean: number): number {
  const least = Math.exp(-mean);
  let [product, count] = [chance(), 0];
  while (product > least) {
    product *= chance();
    count += 1;
  }
  return count;
}

const patternOf = (name: string): FlyFile => {
  const read = readFly(readFileSync(`examples/${name}.fly.json`, 'utf8'));
  if (!read.ok) throw new Error(name);
  return read.value;
};
const stationOf = (beat: string): string => {
  const read = readDocumentText(BEAT_KIND, readFileSync(`examples/${beat}.beat.json`, 'utf8'));
  if (!read.ok) throw new Error(beat);
  return read.value.gauge?.station ?? '';
};
const station = simulatedStation(stationOf('mill-run'));

const inShade = (file: FlyFile, shade: string): FlyFile => ({
  ...file,
  parts: file.parts.map((part) => (part.colour === undefined ? part : { ...part, colour: shade })),
});
const withTail = (file: FlyFile, length: string): FlyFile => ({
  ...file,
  parts: file.parts.map((part) => (part.id === 'tail' ? { ...part, length } : part) as FlyFile['parts'][number]),
});

const SHADES = ['slate', 'black'] as const;
const HEAVY = patternOf('slate-runner');
const LIGHT = patternOf('night-sexton');
const EEL = patternOf('copper-eel');
const HANDS = ['the older hand', 'the younger hand'] as const;
const BEATS = ['Mill Run', 'Long Glide', 'Ferry Pool'] as const;
const MANNER = { 'Slate Runner': 'swing', 'Night Sexton': 'swing', 'Copper Eel': 'strip' } as const;

const clock = (minutes: number): string =>
  `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
const count = <T>(times: number, of: () => T): T[] => Array.from({ length: times }, of);

/** A fly for so long, and what came to it. */
function rodOf(file: FlyFile, from: number, minutes: number, high: boolean, date: string): Rod {
  const heavy = file.name === HEAVY.name;
  const takes = poisson(((heavy && high ? RATE.heavyHigh : RATE.otherwise) * minutes) / 60);
  const landed = count(takes, chance).filter((each) => each < 0.6).length;
  const lostOnBed = chance() < (heavy ? 0.1 : 0.18) ? 1 : 0;
  const lostToFish = chance() < 0.08 * takes ? 1 : 0;
  const eel = file.name === EEL.name;
  const fouled = eel ? poisson(((date < SHORTENED ? 1.1 : 0.15) * minutes) / 60) : 0;
  const lost = [
    ...count(lostOnBed, () => ({ how: 'bed' as const })),
    ...count(lostToFish, () => ({ how: 'fish' as const })),
  ];
  return {
    fly: file.name,
    pattern: { ...file },
    line: heavy ? 'floating' : eel ? 'intermediate' : 'sink tip of 3 m, 75 mm/s',
    manner: MANNER[file.name as keyof typeof MANNER],
    from: clock(from),
    to: clock(from + minutes),
    touches: poisson((0.5 * minutes) / 60),
    takes,
    ...(landed > 0
      ? { landed: count(landed, () => ({ length: `${String(45 + Math.round(30 * chance()))} cm` })) }
      : {}),
    ...(lost.length > 0 ? { lost } : {}),
    ...(fouled > 0
      ? { fouled, seen: `tail wrapped the bend ${fouled === 1 ? 'once' : `${String(fouled)} times`}` }
      : {}),
  };
}

/** A day on the water; the flies change places from outing to outing, so that none is always first. */
function outingOf(i: number): OutingFile {
  const at = Date.UTC(2026, 2, 14, 12) + i * 8 * 86_400_000;
  const date = new Date(at).toISOString().slice(0, 10);
  const rows = station.rows(at);
  const [now, before] = [rows.at(-1), rows.at(-25)];
  const level = now?.levelM ?? 0.5;
  const rise = level - (before?.levelM ?? level);
  const high = level > HIGH_M;
  const eel = withTail(EEL, date < SHORTENED ? '1.4 shank' : '1.1 shank');
  const flies = [inShade(HEAVY, among(SHADES)), inShade(LIGHT, among(SHADES)), ...(i % 3 === 0 ? [eel] : [])];
  const turned = [...flies.slice(i % flies.length), ...flies.slice(0, i % flies.length)];
  const from = 60 * (9 + (i % 7)) + 5 * Math.floor(12 * chance());
  let begins = from;
  const rods = turned.map((file) => {
    const minutes = 10 * (6 + Math.floor(5 * chance()));
    const rod = rodOf(file, begins, minutes, high, date);
    begins += minutes + 5;
    return rod;
  });
  return {
    format: 'jobbet.outing',
    version: 1,
    date,
    from: clock(from),
    to: clock(begins - 5),
    beat: BEATS[i % BEATS.length] ?? 'Mill Run',
    gauge: {
      level: `${level.toFixed(2)} m`,
      temperature: `${String(Math.round(now?.temperatureC ?? 8))} C`,
      trend: rise > 0.02 ? 'rising' : rise < -0.02 ? 'falling' : 'steady',
    },
    clarity: `${(high ? 0.6 + 0.4 * chance() : 1.2 + 0.8 * chance()).toFixed(1)} m`,
    light: among(['bright', 'dull', 'dusk'] as const),
    hand: HANDS[i % HANDS.length] ?? HANDS[0],
    rods,
    simulated: true,
  };
}

for (let i = 0; i < OUTINGS; i++) {
  const outing = outingOf(i);
  const read = readRecord('outing', outing);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  writeFileSync(`examples/${outing.date}.outing.json`, `${JSON.stringify(outing, null, 1)}\n`);
}
