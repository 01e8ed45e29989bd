import { useMemo, useState } from 'react';
import { fishesHere } from '../../fly/fishesHere.ts';
import { useLastOut } from '../../fly/log/outings.ts';
import type { ListedFly } from '../../shared/api/client.ts';
import { useSettings } from '../../shared/settings/settings.ts';
import { matches, sortFlies, toSettleOf, type SortName } from './sorting.ts';

/** Which flies of the box are shown, and in which order. */
export function useShownFlies(all: readonly ListedFly[] | undefined) {
  const [find, setFind] = useState('');
  const [sort, setSort] = useState<SortName>('sink');
  const [here] = useState(fishesHere.read);
  const lastOut = useLastOut();
  const [settling, setSettling] = useState(false);
  const { looks } = useSettings();
  const unsettled = useMemo(
    () => all && new Set(all.filter((fly) => toSettleOf(fly, looks).length > 0).map(({ id }) => id)),
    [all, looks],
  );
  const flies = useMemo(() => {
    const wanted = all?.filter((fly) => matches(fly, find) && (!settling || unsettled?.has(fly.id) === true));
    return sortFlies(wanted ?? [], sort, { here, lastOut });
  }, [all, find, sort, settling, unsettled, here, lastOut]);
  /** How many have something to settle; null until that is known. */
  const unsettledCount = unsettled ? unsettled.size : null;
  return { find, setFind, sort, setSort, here, lastOut, settling, setSettling, unsettled: unsettledCount, flies };
}

export type ShownFlies = ReturnType<typeof useShownFlies>;
