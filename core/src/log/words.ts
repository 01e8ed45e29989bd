import { formatNumber, METRIC, type Style } from '../units/index.ts';
import { ALLOWED, type Group } from './groups.ts';

/** Hours as they are said: 47 h, 1.5 h. */
export const hoursWords = (hours: number, style: Style = METRIC): string =>
  `${formatNumber(hours, hours < 9.95 && Math.abs(hours - Math.round(hours)) > 0.05 ? 1 : 0, style)} h`;

const times = (value: number, style: Style): string =>
  Number.isFinite(value) ? formatNumber(value, value < 9.95 ? 1 : 0, style) : 'any number of';

/** What can be told of a group, and what would tell more. */
export function groupWords(
  { name, takes, hours, interval, verdict, against, confounded }: Group,
  style: Style = METRIC,
): string {
  const rate = (value: number): string => formatNumber(value, 2, style);
  const counts = `${name}: ${String(takes)} ${takes === 1 ? 'take' : 'takes'} in ${hoursWords(hours, style)}, ${rate(interval[0])} to ${rate(interval[1])} an hour`;
  if (!against) return `${counts}, and nothing to hold it against`;
  const but = confounded.length > 0 ? `; but ${confounded.join(', ')}, so that it may be that` : '';
  if (verdict !== 'too few to tell')
    return `${counts}: ${verdict} than the others, ${times(against.ratio[0], style)} to ${times(against.ratio[1], style)} times as many${but}`;
  const more =
    against.hoursMore === null
      ? 'at these rates nobody could tell'
      : `some ${hoursWords(Math.ceil(against.hoursMore), style)} more of it would tell, were the rates as they are`;
  return `${counts}: too few to tell, ${more}${but}`;
}

/** What can be told of all groups together. */
export function togetherWords(groups: readonly Group[]): string {
  const told = groups.filter(({ verdict }) => verdict !== 'too few to tell');
  if (groups.length < 2) return 'There is only one group: nothing can be held against another.';
  if (told.length === 0) return 'Nothing here can be told apart yet: every ratio’s interval has one within it.';
  return `${told.map(({ name, verdict }) => `${name}: ${verdict}`).join('; ')}. Not one of these is wrong more than one time in ${String(Math.round(1 / ALLOWED))}.`;
}
