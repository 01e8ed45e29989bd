import { laidOnce } from '../src/shared/api/once.ts';

const lost = new Error('the answer was lost');

/** What lays things down by name, and loses as many answers as it is told to. */
function house(losing: number) {
  const sent: { thing: unknown; sentAs: string }[] = [];
  let left = losing;
  const lay = laidOnce((thing: { name: string }, sentAs) => {
    sent.push({ thing, sentAs });
    left--;
    return left >= 0 ? Promise.reject(lost) : Promise.resolve(sentAs);
  });
  return { sent, lay, names: () => sent.map(({ sentAs }) => sentAs) };
}

test('what was sent and not confirmed goes by the same name again, however it was made', async () => {
  const { lay, names } = house(2);
  await expect(lay({ name: 'Alder' })).rejects.toBe(lost);
  await expect(lay({ name: 'Alder' })).rejects.toBe(lost);
  await lay({ name: 'Alder' });
  expect(new Set(names()).size).toBe(1);
});
test('what was confirmed is another when it is laid down again: a copy beside it', async () => {
  const { lay } = house(0);
  expect(await lay({ name: 'Alder' })).not.toBe(await lay({ name: 'Alder' }));
});
test('something else never goes by a name that is not confirmed', async () => {
  const { lay, names } = house(1);
  await expect(lay({ name: 'Alder' })).rejects.toBe(lost);
  await lay({ name: 'Birch' });
  await lay({ name: 'Alder' });
  expect([names()[2] === names()[0], names()[1] === names()[0]]).toEqual([true, false]);
});
test('names are long enough for the server, and two senders never meet', async () => {
  const all = await Promise.all(Array.from({ length: 200 }, (_, i) => house(0).lay({ name: String(i % 2) })));
  expect(new Set(all).size).toBe(200);
  expect(all.every((name) => /^[0-9a-f]{32}$/.test(name))).toBe(true);
});
test('of very many that were never confirmed the oldest are forgotten', async () => {
  const { lay, names } = house(61);
  for (let i = 0; i < 60; i++) await expect(lay({ name: String(i) })).rejects.toBe(lost);
  await expect(lay({ name: '59' })).rejects.toBe(lost);
  await lay({ name: '0' });
  expect([names()[60] === names()[59], names()[61] === names()[0]]).toEqual([true, false]);
});
