import type { ReactNode } from 'react';
import { Link } from 'react-router';

/** The bar every view begins with: the way home, the title, and what can be done here. */
export function TopBar({ title, children }: { readonly title: ReactNode; readonly children?: ReactNode }) {
  return (
    <header className="flex items-stretch h-11 border-b border-ink shrink-0 no-print">
      <Link
        to="/"
        className="grid place-items-center w-[72px] bg-ink text-sheet font-bold shrink-0"
        aria-label="Jobbet, to the box"
      >
        Jobbet
      </Link>
      <div className="flex items-center gap-4 px-4 min-w-0 flex-1">{title}</div>
      <div className="flex items-center gap-4 px-4 shrink-0">{children}</div>
    </header>
  );
}
