import { useEffect, useRef, useState, type KeyboardEvent, type RefObject } from 'react';

/** A cell by its row and column. */
export interface CellAt {
  readonly row: string;
  readonly col: string;
}

interface Grid {
  readonly rows: readonly string[];
  readonly cols: readonly string[];
  readonly page: number;
}

/** Where a key goes from a cell; null for a key that goes nowhere. */
export function moved({ rows, cols, page }: Grid, at: CellAt, key: string, ctrl: boolean): CellAt | null {
  const [r, c] = [Math.max(0, rows.indexOf(at.row)), Math.max(0, cols.indexOf(at.col))];
  const to = (row: number, col: number): CellAt => ({
    row: rows[Math.max(0, Math.min(rows.length - 1, row))] ?? at.row,
    col: cols[Math.max(0, Math.min(cols.length - 1, col))] ?? at.col,
  });
  switch (key) {
    case 'ArrowUp':
      return to(ctrl ? 0 : r - 1, c);
    case 'ArrowDown':
      return to(ctrl ? rows.length - 1 : r + 1, c);
    case 'ArrowLeft':
      return to(r, ctrl ? 0 : c - 1);
    case 'ArrowRight':
      return to(r, ctrl ? cols.length - 1 : c + 1);
    case 'Home':
      return to(ctrl ? 0 : r, 0);
    case 'End':
      return to(ctrl ? rows.length - 1 : r, cols.length - 1);
    case 'PageUp':
      return to(r - page, c);
    case 'PageDown':
      return to(r + page, c);
    default:
      return null;
  }
}

export interface GridFocus {
  readonly at: CellAt;
  readonly editing: string | null;
  /** Goes to a cell; the keyboard is on it afterwards. */
  readonly go: (to: CellAt) => void;
  /** Goes to a cell without taking the keyboard there. */
  readonly pick: (to: CellAt) => void;
  /** Begins to write in the cell it is on. @param text to begin with; what is there, where it is left out */
  readonly edit: (text?: string) => void;
  /** Goes to a cell and begins to write in it. */
  readonly write: (at: CellAt) => void;
  readonly leave: () => void;
  readonly onKey: (event: KeyboardEvent) => void;
}

/** The one cell of a table that has the keyboard, and whether it is written in (as ARIA's grid pattern has it). */
export function useGrid(frame: RefObject<HTMLElement | null>, grid: Grid, canEdit: (at: CellAt) => boolean): GridFocus {
  const [wanted, setWanted] = useState<CellAt | null>(null);
  const [editing, setEditing] = useState<string | null>(null);
  const takeFocus = useRef(false);
  const at: CellAt = {
    row: wanted && grid.rows.includes(wanted.row) ? wanted.row : (grid.rows[0] ?? ''),
    col: wanted && grid.cols.includes(wanted.col) ? wanted.col : (grid.cols[0] ?? ''),
  };
  useEffect(() => {
    if (!takeFocus.current || editing !== null) return;
    takeFocus.current = false;
    frame.current?.querySelector<HTMLElement>('[role="gridcell"][tabindex="0"]')?.focus();
  });
  const go = (to: CellAt): void => {
    takeFocus.current = true;
    setEditing(null);
    setWanted(to);
  };
  const edit = (text?: string): void => {
    if (canEdit(at)) setEditing(text ?? '');
  };
  return {
    at,
    editing,
    go,
    pick: setWanted,
    edit,
    write: (to) => {
      setWanted(to);
      setEditing('');
    },
    leave: () => {
      takeFocus.current = true;
      setEditing(null);
    },
    onKey: (event) => {
      const inCell = (event.target as Element).closest('[role="gridcell"]') !== null;
      if (editing !== null || event.altKey || !inCell) return;
      const to = moved(grid, at, event.key, event.ctrlKey || event.metaKey);
      if (to) go(to);
      else if ((event.key === 'Enter' || event.key === 'F2') && canEdit(at)) setEditing('');
      else if (/^[\d.]$/.test(event.key) && !event.ctrlKey && !event.metaKey && canEdit(at)) setEditing(event.key);
      else return;
      event.preventDefault();
      event.stopPropagation();
    },
  };
}
