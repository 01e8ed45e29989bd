import { Accessibility, type DragDropManager } from '@dnd-kit/dom';
import { DragDropProvider } from '@dnd-kit/react';
import { isSortable } from '@dnd-kit/react/sortable';
import type { ReactNode } from 'react';
import { dropped } from './dropped.ts';

interface OrderDragProps {
  /** What is in the list, in its order. */
  readonly ids: readonly string[];
  /** What one of them is called where it is spoken of. */
  readonly nameOf: (id: string) => string;
  readonly onDrop: (drop: NonNullable<ReturnType<typeof dropped>>) => void;
  readonly children: ReactNode;
}

type Operation = DragDropManager['dragOperation'];
interface Dragged {
  readonly operation: Operation;
  readonly canceled?: boolean;
}

/** Where the dragged one stands now, counted from one. */
const placeOf = ({ source }: Operation): number => (isSortable(source) ? source.index + 1 : 0);

/** A list whose order is dragged, told to a screen reader in our words: what is taken, where it stands, where it was put. */
export function OrderDrag({ ids, nameOf, onDrop, children }: OrderDragProps) {
  const name = ({ source }: Operation): string => (source ? nameOf(String(source.id)) : '');
  const told = Accessibility.configure({
    screenReaderInstructions: {
      draggable: 'Space takes it, the arrows carry it, Space puts it down, Escape leaves it.',
    },
    announcements: {
      dragstart: ({ operation }: Dragged) =>
        `${name(operation)} is taken, ${String(placeOf(operation))} of ${String(ids.length)}.`,
      dragover: ({ operation }: Dragged) =>
        `${name(operation)} stands ${String(placeOf(operation))} of ${String(ids.length)}.`,
      dragend: ({ operation, canceled }: Dragged) =>
        canceled === true
          ? `${name(operation)} is where it was.`
          : `${name(operation)} is tied ${String(placeOf(operation))} of ${String(ids.length)}.`,
    },
  });
  return (
    <DragDropProvider
      plugins={(usual) => [...usual.filter((each) => each !== Accessibility), told]}
      onDragEnd={(event) => {
        const drop = dropped(ids, event);
        if (drop) onDrop(drop);
      }}
    >
      {children}
    </DragDropProvider>
  );
}
