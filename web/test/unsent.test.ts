import { act, renderHook } from '@testing-library/react';
import { z } from 'zod';
import { RequestError } from '../src/shared/api/client.ts';
import { laidDown, unsentOf } from '../src/shared/records/unsent.ts';
import { useToast } from '../src/shared/ui/toast.ts';

const entry = z.object({ id: z.string().nullable(), record: z.object({ text: z.string() }) });
type Entry = z.infer<typeof entry>;

let place = 0;
/** Records in a place of their own, with a server that answers as it is told. */
function begun(answer: (waiting: Entry) => Promise<string>) {
  const brought: string[] = [];
  const key = `jobbet.test.${String(place++)}`;
  const unsent = unsentOf<Entry>({
    key,
    schema: entry,
    bring: async (_, waiting) => {
      brought.push(`${waiting.id ?? 'new'} ${waiting.record.text}`);
      const id = await answer(waiting);
      return (now) => ({ ...now, id });
    },
  });
  return { unsent, brought, key };
}
const written = (text: string): Entry => ({ id: null, record: { text } });
const away = (): Promise<never> => Promise.reject(new RequestError('offline', 'no server'));

beforeEach(() => localStorage.clear());

describe('what the server has not confirmed', () => {
  test('stands in the browser until it is, through a reload', async () => {
    const { unsent, key } = begun(away);
    unsent.keep('a', written('one'));
    await expect(unsent.send('a')).rejects.toMatchObject({ code: 'offline' });
    expect(unsent.read()).toEqual({ a: written('one') });
    expect(JSON.parse(localStorage.getItem(key) ?? '')).toEqual({ a: written('one') });
    const { unsent: there } = begun(() => Promise.resolve('7'));
    there.keep('a', written('one'));
    await there.send('a');
    expect(there.read()).toEqual({});
  });
  test('goes again where it was changed on its way, under the id it was given', async () => {
    let arrived: (id: string) => void = () => undefined;
    const { unsent, brought } = begun(() => new Promise((resolve) => (arrived = resolve)));
    unsent.keep('a', written('one'));
    const first = unsent.send('a');
    await Promise.resolve();
    unsent.keep('a', written('two'));
    const second = unsent.send('a');
    await Promise.resolve();
    arrived('7');
    await first;
    expect(unsent.read()).toEqual({ a: { id: '7', record: { text: 'two' } } });
    await new Promise((resolve) => setTimeout(resolve));
    arrived('7');
    await second;
    expect([brought, unsent.read()]).toEqual([['new one', '7 two'], {}]);
  });
  test('is brought when a view asks for it and when the way is there again; that the server is away is no news', async () => {
    let there = false;
    const { unsent, brought } = begun(() => (there ? Promise.resolve('7') : away()));
    unsent.keep('a', written('one'));
    unsent.keep('b', written('two'));
    useToast.getState().clear();
    renderHook(() => unsent.useSending());
    await act(() => new Promise((resolve) => setTimeout(resolve)));
    expect([brought, Object.keys(unsent.read())]).toEqual([
      ['new one', 'new two'],
      ['a', 'b'],
    ]);
    there = true;
    window.dispatchEvent(new Event('online'));
    await act(() => new Promise((resolve) => setTimeout(resolve)));
    expect(unsent.read()).toEqual({});
    expect(useToast.getState().toast).toBeNull();
  });
  test('that is refused stays, and why is said', async () => {
    const { unsent } = begun(() => Promise.reject(new RequestError('bad-file', 'it does not read')));
    unsent.keep('a', written('one'));
    renderHook(() => unsent.useSending());
    await act(() => new Promise((resolve) => setTimeout(resolve)));
    expect(Object.keys(unsent.read())).toEqual(['a']);
    expect(useToast.getState().toast).toMatchObject({ words: 'it does not read' });
  });
});

describe('what may have been laid down already', () => {
  const laid = (text: string) => () => Promise.resolve({ id: '7', revision: 1, record: { text } });
  const save = (id: string, revision: number) =>
    Promise.resolve({ id, revision: revision + 1, record: { text: 'two' } });
  test('is written over where something else lies there, and left where it is the same', async () => {
    expect(await laidDown({ text: 'two' }, laid('one'), save)).toEqual({
      id: '7',
      revision: 2,
      record: { text: 'two' },
    });
    expect(await laidDown({ text: 'one' }, laid('one'), save)).toMatchObject({ revision: 1 });
  });
});
