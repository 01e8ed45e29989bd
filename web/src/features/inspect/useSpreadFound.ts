import type { InspectReport } from '@jobbet/core/inspect';
import { spreadKey } from '@jobbet/core/study';
import { useSpreads } from '../../fly/hands/useSpreads.ts';
import { say } from '../../shared/ui/toast.ts';

/** Lets the scatter of this fly reckon with the first spread that was found; null where it does already, or none was found. */
export function useSpreadFound(fly: string, report: InspectReport | undefined): (() => void) | null {
  const { own, keep } = useSpreads(fly);
  const found = report?.learnt.find(({ goesTo }) => goesTo === 'hands');
  if (!found || found.part === null || own === null) return null;
  const key = spreadKey(found.part, 'length');
  const was = own[key];
  if (was !== undefined && Math.abs(was - found.now) < 1e-6) return null;
  return () => {
    keep((now) => ({ ...now, [key]: found.now }));
    say(`The scatter reckons with the ${found.words}.`, {
      name: 'Undo',
      run: () => keep(({ [key]: _taken, ...now }) => (was === undefined ? now : { ...now, [key]: was })),
    });
  };
}
