import type { OutingFile } from '@jobbet/core/records';
import { jest } from '@jest/globals';
import type { StoredOuting } from '../src/shared/api/client.ts';
import { RequestError } from '../src/shared/api/client.ts';

const saveOuting = jest.fn<(id: string, record: OutingFile, revision: number) => Promise<{ revision: number }>>();
const createOuting = jest.fn<(record: OutingFile, sentAs?: string) => Promise<object>>();

jest.unstable_mockModule('../src/shared/api/client.ts', () => ({
  RequestError,
  api: { saveOuting, createOuting, outings: () => Promise.resolve([]) },
}));
const { keepOuting } = await import('../src/features/log/outings.ts');

const stale = (): Promise<never> => Promise.reject(new RequestError('stale', 'It was changed elsewhere.'));
const outing = (note: string): OutingFile => ({
  format: 'jobbet.outing',
  version: 1,
  date: '2026-10-12',
  beat: 'Ferry Pool',
  from: '15:10',
  to: '18:30',
  note,
  rods: [{ fly: 'Slate Runner' }],
});
const stored = (id: string): StoredOuting =>
  ({ id, revision: 1, record: outing('at first'), deletedAt: null }) as unknown as StoredOuting;
const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 20));
const names = (): unknown[] => createOuting.mock.calls.map(([, sentAs]) => sentAs);

beforeEach(() => {
  localStorage.clear();
  saveOuting.mockReset();
  createOuting.mockReset();
});

describe('an outing that another device wrote meanwhile', () => {
  test('is laid beside it by a name of this browser’s own, so that two devices’ copies never fall together', async () => {
    saveOuting.mockImplementation(stale);
    createOuting.mockImplementation((record) => Promise.resolve({ id: 'copy', revision: 1, record }));
    keepOuting(stored('a'), outing('mine'));
    await settled();
    localStorage.clear();
    keepOuting(stored('a'), outing('theirs'));
    await settled();
    expect(new Set(names()).size).toBe(2);
  });
  test('and sent again after its answer was lost goes by the same name, with what was written since', async () => {
    saveOuting.mockImplementationOnce(stale).mockImplementationOnce(stale);
    createOuting.mockImplementationOnce(() => Promise.reject(new RequestError('offline', 'away')));
    keepOuting(stored('b'), outing('one'));
    await settled();
    // What lies there is the first sending; it is written over.
    createOuting.mockImplementation(() => Promise.resolve({ id: 'copy', revision: 1, record: outing('one') }));
    saveOuting.mockImplementation(() => Promise.resolve({ revision: 2 }));
    keepOuting(stored('b'), outing('two'));
    await settled();
    expect(new Set(names()).size).toBe(1);
    expect(saveOuting.mock.calls.at(-1)).toEqual(['copy', outing('two'), 1]);
  });
});
