import type { Page } from '@jobbet/core/drawing';
import type { Drawers } from '@jobbet/core/drawers';
import { useMemo, useState, type ReactNode } from 'react';
import { flushSync } from 'react-dom';
import type { ListedFly } from '../../shared/api/client.ts';
import { PrintedPages, screenWidth } from '../../shared/paper/PrintedPages.tsx';
import { useSettings, useStyle } from '../../shared/settings/settings.ts';
import { say } from '../../shared/ui/toast.ts';
import { working } from '../../shared/ui/work.ts';

interface PrintedSheets {
  /** Sets the sheets of flies and hands them to the browser to print. */
  readonly print: (flies: readonly ListedFly[]) => Promise<void>;
  /** What is printed, while it is. */
  readonly pages: ReactNode;
}

/** Tying sheets of several flies, printed in one go. */
export function usePrintedSheets(drawers: Drawers | undefined): PrintedSheets {
  const style = useStyle();
  const { hand, paper, beginner } = useSettings();
  const [set, setSet] = useState<readonly Page[] | null>(null);
  const make = useMemo(() => () => set ?? [], [set]);
  return {
    print: async (flies) => {
      if (!drawers) return;
      const options = { paper, hand, style, beginner, textWidth: screenWidth() };
      const { sheetsOf } = await import('./sheetsOf.ts');
      const pages = await working('Setting the sheets', (watching) => sheetsOf(flies, drawers, options, watching));
      if (pages?.length === 0) say('None of them lays out.');
      if (!pages || pages.length === 0) return;
      // There when the browser asks for them, and gone once it has them.
      flushSync(() => setSet(pages));
      window.print();
      setSet(null);
    },
    pages: set && <PrintedPages make={make} />,
  };
}
