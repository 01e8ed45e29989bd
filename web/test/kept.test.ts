import { jest } from '@jest/globals';
import { z } from 'zod';
import { kept } from '../src/shared/kept/kept.ts';
import { settingsKept } from '../src/shared/settings/settings.ts';

const place = kept('jobbet.test', z.object({ figure: z.number() }), { figure: 7 });
beforeEach(() => {
  localStorage.clear();
});
afterEach(() => {
  jest.restoreAllMocks();
});

test('what was written is read again; while nothing is there, the other', () => {
  expect(place.read()).toEqual({ figure: 7 });
  place.write({ figure: 3 });
  expect(place.read()).toEqual({ figure: 3 });
});
test.each(['no json', '{"figure": "three"}', '[]', 'null'])('what makes no sense is passed over: %s', (text) => {
  localStorage.setItem('jobbet.test', text);
  expect(place.read()).toEqual({ figure: 7 });
});
test('a full store is told of, and what it did not take stands until the page is closed', () => {
  jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  expect(place.write({ figure: 3 })).toBe(false);
  expect(place.read()).toEqual({ figure: 3 });
  expect(localStorage.getItem('jobbet.test')).toBeNull();
  jest.restoreAllMocks();
  expect(place.write({ figure: 4 })).toBe(true);
  expect(localStorage.getItem('jobbet.test')).toBe('{"figure":4}');
  place.remove();
  expect(place.read()).toEqual({ figure: 7 });
});
test('a closed store reads as empty', () => {
  jest.spyOn(Storage.prototype, 'getItem').mockImplementation(() => {
    throw new DOMException('closed', 'SecurityError');
  });
  expect(place.read()).toEqual({ figure: 7 });
});
test.each([
  ['as they stand', { length: 'in', hand: 'left' }],
  ['as they stood once, one level deeper', { state: { length: 'in', hand: 'left' }, version: 0 }],
])('settings read %s; what does not read of them falls back alone', (_how, written) => {
  localStorage.setItem('jobbet.settings', JSON.stringify({ ...written, paper: 'parchment', airShare: 7 }));
  expect(settingsKept.read()).toMatchObject({ length: 'in', hand: 'left', paper: 'a4', airShare: 0, mass: 'g' });
});
