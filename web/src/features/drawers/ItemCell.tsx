import { hasColumn, type DrawerName } from '@jobbet/core/drawers';
import type { StoredItem } from '../../shared/api/client.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import { CellEditor, type Onward } from './CellEditor.tsx';
import { cellText, nominalText, seriesText, type TableColumn } from './cells.ts';
import { Nominal, type Refused } from './Troubles.tsx';
import type { CellAt, GridFocus } from './useGrid.ts';
import { cellKey, type Writing } from './useWriting.ts';

interface ItemCellProps {
  readonly drawer: DrawerName;
  readonly row: StoredItem;
  readonly of: TableColumn;
  /** Whether it heads its row. */
  readonly first: boolean;
  readonly grid: GridFocus;
  readonly writing: Writing;
  /** Goes on from a cell that was written in. */
  readonly onOnward: (from: CellAt, onward: Onward) => void;
}

/** One cell: what stands there, and where it is written in an editor. */
export function ItemCell({ drawer, row, of, first, grid, writing, onOnward }: ItemCellProps) {
  const style = useStyle();
  const cell = { row: row.id, col: of.key };
  const here = row.id === grid.at.row;
  const active = here && of.key === grid.at.col;
  const trouble = writing.refused[cellKey(cell)];
  const editable = of.own !== null && hasColumn(of.own, row.item);
  const editing = active && grid.editing !== null && of.own;
  const looks = [
    'relative border-b border-hair px-2 whitespace-nowrap max-w-56 focus:outline-2 focus:-outline-offset-2 focus:outline-ink',
    editing ? 'overflow-visible' : 'overflow-hidden text-ellipsis',
    of.numeric ? 'text-right' : '',
    first ? `sticky left-0 font-semibold ${here ? 'bg-sunk' : 'bg-sheet'}` : '',
    of.own ? '' : 'italic text-ink2',
  ].join(' ');
  return (
    <td
      role="gridcell"
      tabIndex={active ? 0 : -1}
      aria-readonly={!editable}
      data-col={of.key}
      className={looks}
      style={{ zIndex: editing ? 15 : first ? 5 : undefined }}
      onMouseDown={() => {
        if (!editing) grid.go(cell);
      }}
      onDoubleClick={() => grid.edit()}
      onFocus={() => {
        grid.pick(cell);
        writing.aim(row, of);
      }}
    >
      {editing ? (
        <CellEditor
          label={`${of.name} of ${row.item.name}`}
          column={editing}
          text={cellText(row.item, of, style)}
          begin={grid.editing === '' ? (trouble?.text ?? null) : grid.editing}
          fault={trouble?.why ?? null}
          onTake={(typed, onward) => {
            const faults = writing.write(row, of, typed);
            if (faults.length === 0) onOnward(cell, onward);
            return faults;
          }}
          onLeave={grid.leave}
        />
      ) : (
        <Shown drawer={drawer} row={row} of={of} trouble={trouble} />
      )}
    </td>
  );
}

interface ShownProps extends Pick<ItemCellProps, 'drawer' | 'row' | 'of'> {
  readonly trouble: Refused[string] | undefined;
}

/** What stands in a cell: what was refused first, a tint as its colour, what is nominal where nothing is written. */
function Shown({ drawer, row, of, trouble }: ShownProps) {
  const style = useStyle();
  const text = cellText(row.item, of, style);
  const series = seriesText(drawer, row.item, of.key, style);
  return (
    <>
      {trouble && (
        <span className="text-warn" title={trouble.why}>
          <SnagFlag /> {trouble.text}{' '}
        </span>
      )}
      {of.own?.kind === 'tint' && (
        <span
          className="inline-block size-3 mr-1.5 border border-rule align-[-1px]"
          style={{ background: text }}
          aria-hidden="true"
        />
      )}
      {text === '' ? <Nominal text={nominalText(drawer, row.item, of, style)} /> : text}
      {text !== '' && series !== '' && <span className="text-ink2"> {series}</span>}
    </>
  );
}
