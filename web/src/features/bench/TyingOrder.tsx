import { DidLine } from '../../fly/log/DidLine.tsx';
import type { LaidFly, LaidPart } from '@jobbet/core/model';
import { partName, placeWords } from '@jobbet/core/tying';
import { saying, type Style } from '@jobbet/core/units';
import { useSortable } from '@dnd-kit/react/sortable';
import { memo, type KeyboardEvent } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { OrderDrag } from '../../shared/ui/OrderDrag.tsx';
import { useStable } from '../../shared/ui/useStable.ts';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import { partOf, type Selection } from '../../fly/selection.ts';
import { markOf, PartIcon } from './PartIcon.tsx';

interface TyingOrderProps {
  readonly laid: LaidFly;
  readonly selected: Selection;
  /** Parts with something to settle. */
  readonly flagged: ReadonlySet<string>;
  readonly onPick: (id: string) => void;
  readonly onHook: () => void;
  readonly onMove: (from: number, to: number) => void;
  readonly onAdd: () => void;
  readonly onRemove: (id: string) => void;
  /** Goes into the sentence of the chosen part. */
  readonly onEdit: () => void;
}

function subtitle(laid: LaidFly, part: LaidPart, style: Style): string[] {
  const { startMm, endMm } = part.extent;
  const { stretch } = saying(style);
  const where =
    Math.abs(endMm - startMm) < 0.05 ? placeWords(laid, style, part.file.id)(endMm) : stretch(startMm, endMm);
  const turns =
    part.built.turns === null || part.file.construction === 'ball'
      ? ''
      : `, ${String(Math.round(part.built.turns))} turns`;
  return [`${part.built.material}${turns}`, where];
}

interface ThreadBarProps {
  /** Where the part begins and ends, shares of the shank. */
  readonly from: number;
  readonly to: number;
  readonly tall: boolean;
}

/** A bar where the part lies along the shank, 0 to 10. */
function ThreadBar({ from, to, tall }: ThreadBarProps) {
  const at = (share: number): number => 3 + 50 * Math.max(-0.05, Math.min(1.08, share));
  const [a, b] = [at(from), at(to)];
  const mid = tall ? 16 : 8;
  return (
    <svg width={58} height={tall ? 28 : 16} aria-hidden="true" className="shrink-0 max-[1000px]:hidden">
      <path
        d={`M3 ${String(mid + 6)}h50M3 ${String(mid + 3)}v6M28 ${String(mid + 4)}v4M53 ${String(mid + 3)}v6`}
        stroke="var(--rule)"
        strokeWidth={0.8}
        fill="none"
      />
      <rect x={Math.min(a, b)} y={mid - 4} width={Math.max(2.5, Math.abs(b - a))} height={5} fill="var(--ink3)" />
      <circle cx={b} cy={mid + 6} r={2.6} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.2} />
    </svg>
  );
}

interface RowProps {
  readonly id: string;
  /** What its mark is drawn by. */
  readonly mark: string;
  /** What stands under its name, in one text parted by line ends. */
  readonly under: string;
  readonly from: number;
  readonly to: number;
  readonly index: number;
  readonly selected: boolean;
  readonly flagged: boolean;
  readonly height: number;
  readonly onPick: (id: string) => void;
  readonly onEdit: () => void;
}

/** One part; it is drawn anew only where something of it is other than it was. */
const Row = memo(function Row({
  id,
  mark,
  under,
  from,
  to,
  index,
  selected,
  flagged,
  height,
  onPick,
  onEdit,
}: RowProps) {
  const { ref, handleRef, isDragging } = useSortable({ id, index });
  const oneLine = height < 30;
  return (
    <li
      ref={ref}
      className={`relative border-b border-hair/60 ${selected ? 'bg-sunk' : ''} ${isDragging ? 'opacity-60' : ''}`}
      style={{ height }}
    >
      {selected && (
        <span
          className="absolute left-0 top-0 bottom-0 w-[5px] bg-pick border-r border-on-pick/40"
          aria-hidden="true"
        />
      )}
      <div className="flex h-full">
        <button
          ref={handleRef}
          type="button"
          className="w-8 shrink-0 pl-4 text-left font-bold text-row cursor-grab touch-none"
          title="Drag to reorder"
          aria-label={`Reorder ${id}`}
        >
          {index + 1}
        </button>
        <button
          type="button"
          data-part={id}
          onClick={() => onPick(id)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter' || !selected) return;
            event.preventDefault();
            onEdit();
          }}
          aria-current={selected ? 'true' : undefined}
          className="flex items-center gap-2 flex-1 text-left pl-1 pr-2 min-w-0"
        >
          <PartIcon mark={mark} />
          <span className="min-w-0 flex-1">
            <span className="block text-row font-semibold truncate">
              {partName(id)}{' '}
              {flagged && (
                <span className="text-warn" title="something to settle">
                  <SnagFlag />
                  <span className="sr-only">, something to settle</span>
                </span>
              )}
            </span>
            {!oneLine &&
              under
                .split('\n')
                .slice(0, height < 60 ? 1 : 2)
                .map((line) => (
                  <span key={line} className="block text-label leading-[1.3] italic text-ink2 truncate">
                    {line}
                  </span>
                ))}
          </span>
          <ThreadBar from={from} to={to} tall={!oneLine} />
        </button>
      </div>
    </li>
  );
});

const rowHeight = (count: number): number => (count <= 8 ? 66 : count <= 15 ? 40 : 22);

/** The parts in tying order, each with where it lies along the shank. Reordered by drag or with the square brackets. */
export function TyingOrder({
  laid,
  selected,
  flagged,
  onPick,
  onHook,
  onMove,
  onAdd,
  onRemove,
  onEdit,
}: TyingOrderProps) {
  const height = rowHeight(laid.parts.length);
  const ids = laid.parts.map((part) => part.file.id);
  const style = useStyle();
  const pick = useStable(onPick);
  const key = (event: KeyboardEvent): void => {
    const id = partOf(selected);
    if (event.key === 'Delete' && id !== null) {
      event.preventDefault();
      onRemove(id);
    }
  };
  return (
    <section aria-label="Tying order" className="flex flex-col h-full min-h-0" onKeyDown={key}>
      <header className="flex items-baseline justify-between px-4 pt-3 pb-1">
        <h2 className="font-bold text-body">Tying order</h2>
        <span className="text-label italic text-ink3 max-[1000px]:hidden">along 0 to 10</span>
      </header>
      <HookRow chosen={selected.kind === 'hook'} onHook={onHook} />
      <OrderDrag ids={ids} nameOf={partName} onDrop={({ moved, to }) => onMove(ids.indexOf(moved), to)}>
        <ol className="min-h-0 overflow-y-auto" aria-label="Parts">
          {laid.parts.map((part, index) => (
            <Row
              key={part.file.id}
              id={part.file.id}
              mark={markOf(part.file)}
              under={subtitle(laid, part, style).join('\n')}
              from={part.extent.startMm / laid.platform.shankMm}
              to={part.extent.endMm / laid.platform.shankMm}
              index={index}
              selected={part.file.id === partOf(selected)}
              flagged={flagged.has(part.file.id)}
              height={height}
              onPick={pick}
              onEdit={onEdit}
            />
          ))}
        </ol>
      </OrderDrag>
      {laid.parts.length === 0 && <p className="px-4 py-3 text-ink2">Tie in the first part.</p>}
      <footer className="mt-auto px-4 py-2 text-ink2 border-t border-hair">
        <DidLine />
        <button type="button" className="flex justify-between w-full py-0.5 hover:text-ink" onClick={onAdd}>
          Add a part <span className="plain-key">A</span>
        </button>
        <div className="flex justify-between py-0.5">
          Move earlier, later{' '}
          <span>
            <span className="plain-key">[</span> <span className="plain-key">]</span>
          </span>
        </div>
      </footer>
    </section>
  );
}

/** The hook, the thread and the aim, over the parts. */
function HookRow({ chosen, onHook }: { readonly chosen: boolean; readonly onHook: () => void }) {
  return (
    <button
      type="button"
      onClick={onHook}
      aria-current={chosen ? 'true' : undefined}
      className={`relative text-left pl-4 pr-2 py-1.5 border-y border-hair/60 ${chosen ? 'bg-sunk' : ''}`}
    >
      {chosen && (
        <span
          className="absolute left-0 top-0 bottom-0 w-[5px] bg-pick border-r border-on-pick/40"
          aria-hidden="true"
        />
      )}
      <span className="text-row font-semibold">Hook, thread and aim</span>
    </button>
  );
}
