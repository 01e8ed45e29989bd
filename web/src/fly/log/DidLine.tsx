import { fishedOf, hoursWords } from '@jobbet/core/log';
import { Link } from 'react-router';
import { useStyle } from '../../shared/settings/settings.ts';
import { useBench } from '../store.ts';
import { useOutingsKept } from './outings.ts';

/** What the fly on the bench did so far, in a line that leads to the log; nothing where it was never fished. */
export function DidLine() {
  const id = useBench((state) => state.id);
  const style = useStyle();
  const fished = useOutingsKept().flatMap(({ id: outing, record }) => {
    const read = record.rods.some(({ fly }) => fly === id) ? fishedOf(record) : null;
    return read?.ok === true ? read.value.filter(({ fly }) => fly === id).map((each) => ({ ...each, in: outing })) : [];
  });
  const [last] = [...fished].sort((one, other) => other.date.localeCompare(one.date));
  if (!last) return null;
  const sum = (of: (each: (typeof fished)[number]) => number): number => fished.reduce((so, each) => so + of(each), 0);
  const [takes, lost] = [sum((each) => each.takes), sum((each) => each.lost.length)];
  return (
    <Link
      to={`/log/${last.in}`}
      className="block py-0.5 hover:text-ink"
      title={`Fished on ${String(fished.length)} outings, last on ${last.date}`}
    >
      Fished {hoursWords(sum(({ minutes }) => minutes) / 60, style)}: {takes} {takes === 1 ? 'take' : 'takes'}, {lost}{' '}
      lost
    </Link>
  );
}
