import { type LineRead, spanMinutes } from '@jobbet/core/log';
import type { OutingFile, Rod } from '@jobbet/core/records';
import { clockMinutes } from '@jobbet/core/records';
import type { FlyFile } from '@jobbet/core/pattern';

const DAY = 24 * 60;
const clock = (minutes: number): string => {
  const at = ((minutes % DAY) + DAY) % DAY;
  return `${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`;
};

/** A day as the calendar writes it. */
const dayText = (date: Date): string =>
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

/** An outing with one of its flies told anew; without it where there is nothing told. */
export const withRod = (outing: OutingFile, at: number, rod: Rod | null): OutingFile =>
  lasting({
    ...outing,
    rods: outing.rods.flatMap((each, i) => (i === at ? (rod === null ? [] : [rod]) : [each])),
  });
