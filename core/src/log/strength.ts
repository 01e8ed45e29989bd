import type { Checked } from '../checks/index.ts';
import { METRIC, type Style } from '../units/index.ts';
import type { Fished } from './fished.ts';
import { hoursWords } from './words.ts';

/** Losses that the tying answers for, and not the water. */
const BY_TYING: ReadonlySet<string> = new Set(['unraveled', 'hook']);
/** A fly that has held so long without one is lost less than once in five hours, nineteen times in twenty: three over the hours (Hanley and Lippman-Hand 1983). */
const HELD_HOURS = 15;

/** What ended a fly, set against what its checks said of its strength: one that warned rightly, one that was muted and should not have been, one that cries wolf. */
export function strengthWords(
  fished: readonly Fished[],
  { findings, muted }: Checked,
  style: Style = METRIC,
): readonly string[] {
  const hours = fished.reduce((sum, { minutes }) => sum + minutes, 0) / 60;
  const ended =
    fished.flatMap(({ lost }) => lost).filter((how) => BY_TYING.has(how)).length +
    fished.flatMap(({ rod }) => rod.events ?? []).filter(({ what }) => what === 'damaged').length;
  const said = findings.filter(({ costs }) => costs === 'strength');
  const quiet = muted.filter(({ costs }) => costs === 'strength');
  const times = `${ended === 1 ? 'once' : `${String(ended)} times`} in ${hoursWords(hours, style)}`;
  if (ended === 0)
    return hours < HELD_HOURS
      ? []
      : said.map(
          ({ message }) =>
            `“${message}” is said of it, and it has held for ${hoursWords(hours, style)}: here the check cries wolf`,
        );
  if (quiet.length > 0)
    return quiet.map(
      ({ message, muteReason }) =>
        `it came apart ${times}: “${message}” was left as it is (${muteReason}), and should not have been`,
    );
  if (said.length > 0) return said.map(({ message }) => `it came apart ${times}, as “${message}” says`);
  return [`it came apart ${times}, and no check says why: look at the whip, the coats and the hook’s temper`];
}
