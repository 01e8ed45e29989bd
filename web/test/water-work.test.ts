import { readFileSync } from 'node:fs';
import { readFly, type FlyFile } from '@jobbet/core/pattern';
import { readRecord } from '@jobbet/core/records';
import { METRIC } from '@jobbet/core/units';
import { waterReckon, type Question } from '../src/features/water/reckon.ts';
import { Desk } from '../src/shared/solve/desk.ts';
import { goodOf } from '../src/shared/solve/reckon.ts';

const read = (name: string): string => readFileSync(`examples/${name}`, 'utf8');
const file: FlyFile = goodOf(readFly(read('slate-runner.fly.json')));
const beat = goodOf(readRecord('beat', JSON.parse(read('mill-run.beat.json'))));
const question: Question = {
  file,
  beat,
  level: '',
  texts: { manner: 'swing', seconds: '2 s', want: '1.2 m' },
  style: METRIC,
  dropper: null,
};

test('the box and the card that are asked for while ways are looked for come', async () => {
  const water = waterReckon(new Desk());
  const told: number[] = [];
  const order: string[] = [];
  const ways = water.further(question).then((found) => {
    order.push('ways');
    return found;
  });
  const box = water.which(question, [{ id: 'one', file }], (share) => told.push(share));
  const card = water.counts(question).then((found) => {
    order.push('card');
    return found;
  });
  expect(await ways).not.toBeNull();
  expect((await box)?.found.map(({ id }) => id)).toEqual(['one']);
  expect(await card).not.toBeNull();
  expect(told.length).toBeGreaterThan(0);
  // What was asked for goes first.
  expect(order).toEqual(['card', 'ways']);
});

test('the box asked again ends the box asked before', async () => {
  const water = waterReckon(new Desk());
  const ask = () => water.which(question, [{ id: 'one', file }], () => undefined);
  const [first, second] = [ask(), ask()];
  expect(await first).toBeNull();
  expect((await second)?.found).toHaveLength(1);
});

test('another water ends the box that was asked about the one before', async () => {
  const water = waterReckon(new Desk());
  const box = water.which(question, [{ id: 'one', file }], () => undefined);
  const whole = water.whole({ ...question, level: '1 m' });
  expect(await box).toBeNull();
  expect(await whole).toMatchObject({ ok: true });
});

test('the word to leave ends the box too', async () => {
  const desk = new Desk();
  const box = waterReckon(desk).which(question, [{ id: 'one', file }], () => undefined);
  desk.leave();
  expect(await box).toBeNull();
});
