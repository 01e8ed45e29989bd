import type { ReactNode } from 'react';
import { Question } from './Question.tsx';

/** A question with what is drawn of it in the middle. */
export const Frame = ({
  testid,
  question,
  children,
}: {
  readonly testid: string;
  readonly question: string;
  readonly children: ReactNode;
}) => (
  <>
    <Question>{question}</Question>
    <div
      className="flex-1 min-h-0 grid place-content-center justify-items-center gap-3 p-4 overflow-y-auto"
      data-testid={testid}
    >
      {children}
    </div>
  </>
);
