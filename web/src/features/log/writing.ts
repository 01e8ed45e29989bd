import { type LineRead, spanMinutes } from '@jobbet/core/log';
import type { OutingFile, Rod } from '@jobbet/core/records';
import { clockMinutes } from '@jobbet/core/records';
import { type FlyFile, readFlyValue } from '@jobbet/core/pattern';

const DAY = 24 * 60;
const clock = (minutes: number): string => {
  const at = ((minutes % DAY) + DAY) % DAY;
  return `${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`;
};

/** The time it is, on an outing of today; on one of another day, when the fly was put on. */
export const clockNow = (now: Date, { date, from }: OutingFile, rod: Rod): string =>
  dayText(now) === date ? clock(60 * now.getHours() + now.getMinutes()) : (rod.from ?? from);

/** A day as the calendar writes it. */
export const dayText = (date: Date): string =>
  [date.getFullYear(), date.getMonth() + 1, date.getDate()].map((each) => String(each).padStart(2, '0')).join('-');

/** An outing that begins now, as the last one was where it was alike. */
export function newOuting(now: Date, last: OutingFile | undefined, hand: string): OutingFile {
  const minutes = Math.floor((60 * now.getHours() + now.getMinutes()) / 5) * 5;
  return {
    format: 'jobbet.outing',
    version: 1,
    date: dayText(now),
    from: clock(minutes),
    to: clock(minutes),
    beat: last?.beat ?? 'the river',
    ...(hand === '' ? {} : { hand }),
    rods: [],
  };
}

/** An outing lasts as long as what was fished on it. */
const lasting = (outing: OutingFile): OutingFile => {
  const ends = outing.rods.map(({ to }) => to).filter((to) => to !== undefined);
  const long = (to: string): number => spanMinutes(outing.from, to) ?? 0;
  const latest = ends.reduce((so, to) => (long(to) > long(so) ? to : so), outing.to);
  return { ...outing, to: latest };
};

/**
 * An outing with one fly more, as a line tells it: from where the fly before it was taken off, for as long as is told.
 * @param file the fly as it is now, kept with what it did
 */
export function withLine(outing: OutingFile, { rod, minutes }: LineRead, id: string, file: FlyFile): OutingFile {
  const begins = rod.from ?? outing.rods.at(-1)?.to ?? outing.from;
  const ends = rod.to ?? (minutes === null ? undefined : clock(clockMinutes(begins) + minutes));
  const made: Rod = {
    ...rod,
    fly: id,
    pattern: { ...file },
    from: begins,
    to: ends ?? begins,
  };
  return lasting({ ...outing, rods: [...outing.rods, made] });
}

/** A line that begins with a number is of the fly of that place on the outing's card. @returns the line with its name, and the place; null where it is none */
export function byNumber(
  text: string,
  names: readonly string[],
): { readonly text: string; readonly at: number | null } {
  const found = /^\s*(\d{1,2})\b[\s,;.:)]*(.*)$/.exec(text);
  const at = Number(found?.[1] ?? 0) - 1;
  const name = names[at];
  return found && name !== undefined ? { text: `${name}, ${found[2] ?? ''}`, at } : { text, at: null };
}

/** An outing with what a line tells of one of its flies that is there already. */
export function withTold(outing: OutingFile, at: number, { rod, minutes }: LineRead): OutingFile {
  const was = outing.rods[at];
  if (!was) return outing;
  const begins = rod.from ?? was.from ?? outing.from;
  const ends = rod.to ?? (minutes === null ? was.to : clock(clockMinutes(begins) + minutes));
  const { fly: _fly, ...told } = rod;
  return lasting({
    ...outing,
    rods: outing.rods.map((each, i) => (i === at ? { ...was, ...told, from: begins, to: ends ?? begins } : each)),
  });
}

/** An outing with one of its flies told anew; without it where there is nothing told. */
export const withRod = (outing: OutingFile, at: number, rod: Rod | null): OutingFile =>
  lasting({
    ...outing,
    rods: outing.rods.flatMap((each, i) => (i === at ? (rod === null ? [] : [rod]) : [each])),
  });

/** The pattern of a fly as it was fished; as the box has it where none was kept. */
export function fileOf(rod: Rod, files: Readonly<Record<string, FlyFile>>): FlyFile | undefined {
  const kept = rod.pattern === undefined ? null : readFlyValue(rod.pattern);
  return kept?.ok === true ? kept.value : files[rod.fly ?? ''];
}
