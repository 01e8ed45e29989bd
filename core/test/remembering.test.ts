import { remembering } from '../src/base/remembering.ts';
import { layPlatform } from '../src/model/platform/registry.ts';
import type { HookItem } from '../src/drawers/items.ts';
import { fly } from './build.ts';

describe('what is made of words is made once', () => {
  test('for each word, nothing and null among what is made', () => {
    const asked: (string | undefined)[] = [];
    const of = remembering((word: string | undefined): string | null | undefined => {
      asked.push(word);
      return word === 'none' ? null : word;
    });
    expect(['a', 'b', 'a', 'none', 'none', undefined, undefined].map(of)).toEqual([
      'a',
      'b',
      'a',
      null,
      null,
      undefined,
      undefined,
    ]);
    expect(asked).toEqual(['a', 'b', 'none', undefined]);
  });
  test('and made again once too many have come', () => {
    let made = 0;
    const of = remembering((word: string) => {
      made++;
      return word.length;
    });
    for (let i = 0; i < 2001; i++) of(String(i));
    expect(of('2000')).toBe(4);
    expect(made).toBe(2001);
    expect(of('0')).toBe(1);
    expect(made).toBe(2002);
  });
});

describe('a platform is built once', () => {
  const platform = (size: string, more: Record<string, unknown> = {}) =>
    fly([], { platform: { kind: 'single', size, longX: 3, ...more } }).platform;
  const none: readonly HookItem[] = [];
  test('whichever copy of its description says it, and anew for other packets', () => {
    const first = layPlatform(platform('6'), none);
    expect(layPlatform(structuredClone(platform('6')), none)).toBe(first);
    expect(layPlatform(platform('6'), [])).not.toBe(first);
    expect(layPlatform(platform('8'), none)).not.toEqual(first);
  });
  test('the one that was not asked for longest is forgotten first', () => {
    const [kept, gone] = [layPlatform(platform('2'), none), layPlatform(platform('4'), none)];
    for (let i = 0; i < 15; i++) {
      layPlatform(platform('6', { gap: `${String(6 + i / 10)} mm` }), none);
      layPlatform(platform('2'), none);
    }
    expect(layPlatform(platform('2'), none)).toBe(kept);
    expect(layPlatform(platform('4'), none)).not.toBe(gone);
  });
});
