import type { BatchReport } from '@jobbet/core/batch';
import { durationWords } from '../../fly/batches/words.ts';

/** A moment without its seconds: no calendar needs them. */
const TO_THE_MINUTE = 16;

/** A moment of a record as this place has it. */
const here = (moment: string): Date => new Date(moment);

/** What is tied in an evening, flies of a row together: `4 Slate Runner, single 8`. */
function tiedWords({ rows, time }: BatchReport, evening: string): string[] {
  const tied = time.schedule.filter((each) => each.evening === evening && each.step === 'tie' && each.row !== null);
  return rows.flatMap(({ name }, i) => {
    const count = tied.filter(({ row }) => row === i + 1).length;
    return count === 0 ? [] : [`${String(count)} ${name}`];
  });
}

/**
 * The evenings of a batch as a calendar takes them (RFC 5545), each from the first thing done to the last, by the clock of whatever place it is read in.
 * @param id of the batch, so that one that is read in again takes the place of what was there
 */
export async function calendarOf(id: string, report: BatchReport): Promise<string> {
  const { ICalCalendar } = await import('ical-generator');
  const calendar = new ICalCalendar({ name: report.name, prodId: { company: 'Jobbet', product: 'Batches' } });
  const { schedule } = report.time;
  for (const evening of new Set(schedule.flatMap((each) => each.evening ?? []))) {
    const hands = schedule.filter((each) => each.evening === evening && each.kind === 'hands');
    const coats = hands.filter(({ step }) => step.startsWith('coat')).length;
    const prep = hands.filter(({ step }) => step === 'prep');
    const first = hands[0];
    const last = hands.at(-1);
    if (!first || !last) continue;
    const minutes = prep.reduce(
      (sum, { start, end }) => sum + (here(end).getTime() - here(start).getTime()) / 60_000,
      0,
    );
    const flies = hands.filter(({ step }) => step === 'tie').length;
    calendar.createEvent({
      id: `${id}-${evening}`,
      start: here(first.start.slice(0, TO_THE_MINUTE)),
      end: new Date(Math.ceil(here(last.end).getTime() / 60_000) * 60_000),
      floating: true,
      summary: `${report.name}: ${flies === 1 ? '1 fly' : `${String(flies)} flies`}`,
      description: [
        ...(prep.length > 0 ? [`made ready beforehand, ${durationWords(minutes)}`] : []),
        ...tiedWords(report, evening),
        ...(coats > 0 ? [`${String(coats)} ${coats === 1 ? 'coat' : 'coats'}`] : []),
      ].join('\n'),
    });
  }
  return calendar.toString();
}
