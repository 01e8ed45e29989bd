import type { ReactNode } from 'react';
import { Link } from 'react-router';

interface TopBarProps {
  /** What the window is called in the browser's own bar. */
  readonly called: string;
  readonly title: ReactNode;
  readonly tabs?: ReactNode;
  readonly children?: ReactNode;
}

/** The bar every view begins with: the way home, the title, the views beside this one, and what can be done here. */
export function TopBar({ called, title, tabs, children }: TopBarProps) {
  return (
    <header className="flex items-stretch h-11 border-b border-ink shrink-0 no-print whitespace-nowrap">
      <title>{`${called} · Jobbet`}</title>
      <Link
        to="/"
        className="grid place-items-center w-[72px] max-[560px]:w-11 bg-ink text-sheet font-bold shrink-0"
        aria-label="Jobbet, to the box"
      >
        <span className="max-[560px]:hidden">Jobbet</span>
        <span className="min-[561px]:hidden">J</span>
      </Link>
      <div className="flex items-center gap-4 px-4 max-[1180px]:gap-3 min-w-0 flex-1">{title}</div>
      {tabs}
      {children !== undefined && (
        <>
          <span aria-hidden="true" className="w-px my-3 mx-3.5 bg-hair shrink-0 max-[1180px]:mx-2" />
          <div className="flex items-center gap-4 max-[1180px]:gap-3 pr-4 shrink-0">{children}</div>
        </>
      )}
    </header>
  );
}
