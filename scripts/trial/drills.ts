import { writeFileSync } from 'node:fs';
import { nextShare, orderAsk, pullsOn, rightChance, type Seen } from '../../core/src/drill/index.ts';
import { newFly } from '../../core/src/edit/index.ts';
import { layFly } from '../../core/src/model/index.ts';
import { noise, normalOf } from '../../core/src/numeric/index.ts';
import { readFly } from '../../core/src/pattern/index.ts';
import { type DrillFile, type DrillItem, type DrillOf, readRecord } from '../../core/src/records/index.ts';
import { readFileSync } from 'node:fs';

/**
 * Rounds of the drill that nobody answered, written among the examples: an eye that is short of a shank and a half and long of a gap, whose
 * spread falls from 9 % to 6 % over ten weeks, and that sees a difference of a tenth between two sides. `node --import tsx
 * scripts/trial/drills.ts` writes the same files each time.
 */
const SEED = 23;
const ROUNDS = 10;
const PULLS = 12;
const BIAS: Readonly<Record<string, number>> = {
  '1.5 shank': -0.07,
  '2 shank': -0.1,
  '1 gap': 0.06,
  'half the wing': 0.03,
};
const [FIRST_SPREAD, LAST_SPREAD] = [0.09, 0.06] as const;
const SEES = 0.1;

const day = (round: number): string => new Date(Date.UTC(2026, 8, 3 + 7 * round)).toISOString().slice(0, 10);
const rounded = (value: number): number => Math.round(value * 1000) / 1000;

function write(of: DrillOf, round: number, clock: string, items: readonly DrillItem[]): void {
  const file: DrillFile = {
    format: 'jobbet.drill',
    version: 1,
    of,
    at: `${day(round)}T${clock}`,
    simulated: true,
    items: [...items],
  };
  const read = readRecord('drill', file);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  writeFileSync(
    `examples/${of}-${String(round + 1).padStart(2, '0')}.drill.json`,
    `${JSON.stringify(file, null, 1)}\n`,
  );
}

const HOOKS = [
  ['2', 0],
  ['4', 2],
  ['6', 3],
  ['8', 0],
  ['10', 2],
] as const;
const asks = HOOKS.flatMap(([size, longX]) => {
  const laid = layFly(newFly('bare', { kind: 'single', size, longX, eye: 'straight', bend: 'round', barb: 'full' }));
  if (!laid.ok) throw new Error(size);
  const on = longX === 0 ? size : `${size}, ${String(longX)}x long`;
  return pullsOn(laid.value.platform, 'length')
    .filter(({ asked }) =>
      ['1 shank', '1.5 shank', '2 shank', '1 gap', 'to the bend', 'half the wing', '0.5 shank'].includes(asked),
    )
    .map((ask) => ({ ask, on }));
});

for (let round = 0; round < ROUNDS; round++) {
  const spread = FIRST_SPREAD + ((LAST_SPREAD - FIRST_SPREAD) * round) / (ROUNDS - 1);
  const items = Array.from({ length: PULLS }, (_, i): DrillItem => {
    const { ask, on } = asks[Math.floor(noise(SEED, round * PULLS + i, 0) * asks.length)] as (typeof asks)[number];
    const off = (BIAS[ask.asked] ?? 0) + spread * normalOf(SEED, round * PULLS + i, 1);
    return {
      on,
      platform: 'single',
      asked: ask.asked,
      direction: ask.direction,
      truth: rounded(ask.truthMm),
      given: rounded(ask.truthMm * (1 + off)),
      seconds: rounded(3 + 5 * noise(SEED, i, round)),
    };
  });
  write('length', round, '19:30', items);
}

const seen: Seen[] = [];
for (let round = 0; round < 4; round++)
  write(
    'equal',
    round,
    '19:40',
    Array.from({ length: 14 }, (_, i): DrillItem => {
      const share = rounded(nextShare(seen));
      const right = noise(SEED, round * 14 + i, 4) < rightChance(share, SEES);
      const truth = noise(SEED, round * 14 + i, 5) < 0.5 ? share : -share;
      seen.push({ share, right });
      return { on: 'collar', asked: 'which side carries more', truth, given: right ? truth : -truth, seconds: 4 };
    }),
  );

const read = readFly(readFileSync('examples/slate-runner.fly.json', 'utf8'));
const slate = read.ok ? layFly(read.value) : read;
if (!slate.ok) throw new Error('slate runner');
for (let round = 0; round < 2; round++)
  write(
    'order',
    round,
    '19:50',
    Array.from({ length: 9 }, (_, i): DrillItem => {
      const ask = orderAsk(slate.value, SEED + round * 9 + i);
      if (!ask) throw new Error('nothing to ask');
      const given =
        noise(SEED, round * 9 + i, 6) < 0.8 ? ask.right : (ask.choices.find((id) => id !== ask.right) ?? ask.right);
      return {
        fly: 'Slate Runner',
        on: 'Slate Runner',
        platform: 'single',
        asked: 'what is tied in next',
        truth: [...ask.placed, ask.right],
        given: [...ask.placed, given],
        seconds: 5,
      };
    }),
  );
