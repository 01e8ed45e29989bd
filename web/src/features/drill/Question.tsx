import type { ReactNode } from 'react';

/** What is asked, as the sentence over the drawing. */
export const Question = ({ children }: { readonly children: ReactNode }) => (
  <h2
    className="text-sentence px-4 py-2 border-b border-hair shrink-0 font-normal"
    aria-live="polite"
    data-testid="question"
  >
    {children}
  </h2>
);
