import type { Why } from '@jobbet/core/study';
import { Popover } from 'radix-ui';
import { type ReactNode, useId } from 'react';
import { AskedCard } from '../../shared/ui/AskedCard.tsx';

interface AskWhyProps {
  /** What is asked for, as a word for who looks for it. */
  readonly name: string;
  /** What is said, made once it is asked for. */
  readonly told: () => Why;
  /** What the figure is called; a plain "why?" where its name stands beside it. */
  readonly children?: ReactNode;
  readonly className?: string;
  /** What is said below it. */
  readonly more?: ReactNode;
}

/** Asks a figure why: its terms in words and numbers, the rule, where it is from, and how far to trust it. */
export function AskWhy({ name, told, children, className = '', more }: AskWhyProps) {
  const title = useId();
  return (
    <Popover.Root>
      <Popover.Trigger className={`why ${className}`} data-why={name}>
        {children === undefined ? (
          <>
            why?<span className="sr-only"> {name}</span>
          </>
        ) : (
          <>
            {children}
            <span className="sr-only">, why?</span>
          </>
        )}
      </Popover.Trigger>
      <AskedCard titleId={title}>
        <Told told={told} titleId={title} />
        {more}
      </AskedCard>
    </Popover.Root>
  );
}

function Told({ told, titleId }: { readonly told: () => Why; readonly titleId: string }) {
  const { title, says, terms, rule, source, belief } = told();
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
    </>
  );
}
