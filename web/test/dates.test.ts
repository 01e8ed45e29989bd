import { decimalOfBrowser } from '../src/shared/settings/browser.ts';
import { ago, shortly } from '../src/shared/ui/dates.ts';

test('numbers begin with the decimal sign of the browser’s language', () => {
  expect(['en-GB', 'de-DE', 'pl', 'en-US', 'fr-FR'].map((language) => decimalOfBrowser(language))).toEqual([
    '.',
    ',',
    ',',
    '.',
    ',',
  ]);
});
test('a moment is told in words, and in short without its year', () => {
  expect(ago(Date.now() - 121_000)).toBe('2 minutes ago');
  expect(shortly(new Date(2026, 2, 4, 17, 5))).not.toContain('2026');
});
