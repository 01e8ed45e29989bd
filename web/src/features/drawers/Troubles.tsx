import { RequestError } from '../../shared/api/client.ts';

/** What was typed into cells and not taken, by cell, with why. */
export type Refused = Readonly<Record<string, { readonly text: string; readonly why: string }>>;

/** What a hook measures by its size, where nothing was measured. */
export const Nominal = ({ text }: { readonly text: string | null }) =>
  text === null ? null : <span className="italic text-ink3">{text}</span>;

/** What the server would not take, in words, for those who do not see the flag in the cell. */
export function Troubles({ refused }: { readonly refused: Refused }) {
  const all = Object.values(refused);
  if (all.length === 0) return null;
  return (
    <div role="alert" className="sticky left-0 bottom-0 w-fit max-w-full bg-warnwash text-ink px-3 py-2">
      {all.map(({ text, why }) => (
        <p key={`${text} ${why}`}>
          {text !== '' && <b>“{text}” was not taken. </b>}
          {why}
        </p>
      ))}
    </div>
  );
}

/** Why the server would not take a change, in words. */
export const whyOf = (error: unknown): string =>
  error instanceof RequestError
    ? (error.faults[0]?.message ?? error.message)
    : error instanceof Error
      ? error.message
      : 'It was not taken.';
