import { Latest } from '../src/shared/solve/latest.ts';

/** A solver that answers when told to. */
function slow() {
  const asked: { question: string; answer: (text: string) => void; fail: () => void }[] = [];
  const answered: string[] = [];
  const failed: string[] = [];
  const latest = new Latest<string, string>(
    (question) =>
      new Promise((resolve, reject) => {
        asked.push({
          question,
          answer: resolve,
          fail: () => {
            reject(new Error('lost'));
          },
        });
      }),
    (question, answer) => {
      answered.push(`${question}: ${answer}`);
    },
    (question) => {
      failed.push(question);
    },
  );
  return { latest, asked, answered, failed };
}
const tick = (): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, 0);
  });

test('one question at a time; of those that wait only the newest is asked, and what was overtaken is dropped', async () => {
  const { latest, asked, answered } = slow();
  latest.ask('a');
  latest.ask('b');
  latest.ask('c');
  expect(asked.map((each) => each.question)).toEqual(['a']);
  asked[0]?.answer('old');
  await tick();
  expect(asked.map((each) => each.question)).toEqual(['a', 'c']);
  asked[1]?.answer('new');
  await tick();
  expect(answered).toEqual(['c: new']);
});

test('asked again later it answers again', async () => {
  const { latest, asked, answered } = slow();
  latest.ask('a');
  asked[0]?.answer('1');
  await tick();
  latest.ask('a');
  asked[1]?.answer('2');
  await tick();
  expect(answered).toEqual(['a: 1', 'a: 2']);
});

test('an answer that is lost is told of, unless it was overtaken, and does not stop the next question', async () => {
  const { latest, asked, answered, failed } = slow();
  latest.ask('a');
  asked[0]?.fail();
  await tick();
  latest.ask('b');
  asked[1]?.answer('here');
  await tick();
  expect([answered, failed]).toEqual([['b: here'], ['a']]);
  latest.ask('c');
  latest.ask('d');
  asked[2]?.fail();
  await tick();
  expect(failed).toEqual(['a']);
});
