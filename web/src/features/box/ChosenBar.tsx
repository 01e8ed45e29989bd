import { called } from './together.ts';
import type { Chosen } from './useChosen.ts';

/** What can be done with several flies at once. */
export interface Together {
  readonly copy: () => void;
  readonly save: () => void;
  readonly print: () => void;
  readonly remove: () => void;
  readonly group: () => void;
  readonly tie: () => void;
}

const KEY = 'hover:text-ink text-ink2';

/** How many flies are chosen, and what can be done with all of them. */
export function ChosenBar({ chosen, copy, save, print, remove, group, tie }: Together & { readonly chosen: Chosen }) {
  const { flies, none } = chosen;
  return (
    <div
      role="group"
      aria-label="Chosen flies"
      className="flex flex-wrap items-center gap-x-5 gap-y-1 px-4 py-1.5 border-b border-hair bg-sunk shrink-0"
    >
      <strong role="status">{called(flies)} chosen</strong>
      <button type="button" className={KEY} onClick={copy}>
        copy <span className="plain-key">C</span>
      </button>
      <button type="button" className={KEY} onClick={save}>
        save pattern files <span className="plain-key">E</span>
      </button>
      <button type="button" className={KEY} onClick={print}>
        print tying sheets <span className="plain-key">P</span>
      </button>
      <button type="button" className={KEY} onClick={tie}>
        tie some <span className="plain-key">T</span>
      </button>
      <button type="button" className={KEY} onClick={group}>
        group <span className="plain-key">G</span>
      </button>
      <button type="button" className={KEY} onClick={remove}>
        put in the trash <span className="plain-key">Del</span>
      </button>
      <button type="button" className={`ml-auto ${KEY}`} onClick={none}>
        let go <span className="plain-key">Esc</span>
      </button>
    </div>
  );
}
