import type { LaidFly } from '@jobbet/core/model';
import { whyOf, type Asked } from '@jobbet/core/study';
import { Popover } from 'radix-ui';
import { AskedCard } from '../../shared/ui/AskedCard.tsx';
import { useId, type ReactNode } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { Trust } from './Trust.tsx';

interface WhyButtonProps {
  readonly asked: Asked;
  readonly laid: LaidFly;
  /** What the figure is called; a plain "why?" where its name stands beside it. */
  readonly children?: ReactNode;
  readonly className?: string;
}

/** Asks a figure why: its terms in words and numbers, the rule, where it is from, and how far to trust it. */
export function WhyButton({ asked, laid, children, className = '' }: WhyButtonProps) {
  const title = useId();
  return (
    <Popover.Root>
      <Popover.Trigger className={`why ${className}`} data-why={asked}>
        {children === undefined ? (
          <>
            why?<span className="sr-only"> {asked}</span>
          </>
        ) : (
          <>
            {children}
            <span className="sr-only">, why?</span>
          </>
        )}
      </Popover.Trigger>
      <AskedCard titleId={title}>
        <Told asked={asked} laid={laid} titleId={title} />
      </AskedCard>
    </Popover.Root>
  );
}

interface ToldProps {
  readonly asked: Asked;
  readonly laid: LaidFly;
  readonly titleId: string;
}

function Told({ asked, laid, titleId }: ToldProps) {
  const style = useStyle();
  const { title, says, terms, rule, source, belief } = whyOf(asked, laid, style);
  return (
    <>
      <h2 id={titleId} className="font-semibold">
        {title}
      </h2>
      <p className="mt-1">{says}</p>
      {terms.length > 0 && (
        <table className="w-full mt-2">
          <tbody>
            {terms.map(({ words, figure }) => (
              <tr key={words} className="border-t border-hair">
                <th scope="row" className="font-normal text-left text-ink2 py-0.5 pr-3">
                  {words}
                </th>
                <td className="text-right font-semibold whitespace-nowrap">{figure}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {rule !== '' && <p className="mt-2 italic">{rule}</p>}
      <p className="mt-2 text-ink2">From {source}.</p>
      <p className="text-ink2">{belief}</p>
      <Trust asked={asked} laid={laid} style={style} />
    </>
  );
}
