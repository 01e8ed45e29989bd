import { decimalOfBrowser } from '../src/shared/settings/browser.ts';
import { ago, calendarDay, dayLately, longDay, shortly } from '../src/shared/ui/dates.ts';

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
test('a day of the calendar is that day whatever the clock; of another year it says which', () => {
  expect([calendarDay('2026-11-01'), longDay('2026-11-01')]).toEqual([
    expect.stringMatching(/\b1\b/),
    expect.stringMatching(/\b1\b.*2026/),
  ]);
  const now = new Date(2026, 10, 30);
  expect(dayLately('2026-11-01', now)).toBe(calendarDay('2026-11-01'));
  expect(dayLately('2025-11-01', now)).toContain('2025');
});
