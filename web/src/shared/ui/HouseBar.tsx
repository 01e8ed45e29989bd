import type { ReactNode } from 'react';
import { BarTabs } from './BarTabs.tsx';
import { HOUSE } from './houseViews.ts';
import { ShellKeys } from './ShellKeys.tsx';
import { TopBar } from './TopBar.tsx';

interface HouseBarProps {
  readonly title: string;
  /** A few words beside the title. */
  readonly sub?: string;
  /** What is begun here, always by N. */
  readonly primary?: { readonly words: string; readonly run: (() => void) | null };
  readonly children?: ReactNode;
}

/** The bar of what belongs to no single fly. */
export function HouseBar({ title, sub = '', primary, children }: HouseBarProps) {
  return (
    <TopBar
      called={title}
      title={
        <>
          <h1 className="text-fly font-bold truncate shrink-0 max-w-[60%]">{title}</h1>
          <span className="italic text-ink2 truncate max-w-[340px] max-[640px]:hidden" title={sub}>
            {sub}
          </span>
        </>
      }
      tabs={<BarTabs source="house" label="Views of the boathouse" tabs={HOUSE} />}
    >
      <ShellKeys />
      {primary && (
        <button
          type="button"
          className="sheet-button primary"
          disabled={primary.run === null}
          onClick={() => primary.run?.()}
        >
          <span className="max-[700px]:sr-only">{primary.words}</span> <span className="opacity-70">N</span>
        </button>
      )}
      {children}
    </TopBar>
  );
}
