import type { FoundBy } from '../../shared/ui/found.ts';

/** What may be asked for among the commands: something done here, or a fly opened. */
export interface Askable {
  readonly name: string;
  readonly group: string;
  readonly also: string;
  readonly keys?: string;
  readonly run: () => void;
}

/** What it is found by. */
export const ASKED_BY: FoundBy<Askable> = {
  name: { weight: 3, of: ({ name }) => name },
  also: { weight: 1, of: ({ also }) => also },
};
