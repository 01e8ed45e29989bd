import { shownOf, wantsSettling, type Checked, type Finding } from '@jobbet/core/checks';
import { useMemo } from 'react';
import { useSettings } from '../../shared/settings/settings.ts';

/** What the checks say of a fly, as far as the settings ask for it. */
export interface Findings {
  readonly all: readonly Finding[];
  /** Those of them that want settling. */
  readonly toSettle: readonly Finding[];
  /** How many there are of either kind; null until the fly is checked. */
  readonly counts: { readonly settle: number; readonly notes: number } | null;
}

export function useFindings(checked: Checked | null): Findings {
  const { looks } = useSettings();
  return useMemo(() => {
    const all = shownOf(checked?.findings ?? [], looks);
    const toSettle = all.filter(wantsSettling);
    return { all, toSettle, counts: checked && { settle: toSettle.length, notes: all.length - toSettle.length } };
  }, [checked, looks]);
}
