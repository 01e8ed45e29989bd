import type { Fault } from '@jobbet/core/base';
import { PX_PER_MM } from '../../shared/drawing/Projection.tsx';
import { boundsOf, type LaidFly } from '@jobbet/core/model';
import { axisAt, eyeAt, viewOf } from '@jobbet/core/drawing';
import { HOLDS, type Hold, type WeightTaken, type Pin, type RunSize } from '@jobbet/core/study';
import { relationWords } from '@jobbet/core/tying';
import { formatLength, formatNumber } from '@jobbet/core/units';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { FlyCanvas } from '../../shared/drawing/FlyCanvas.tsx';
import { useSettings, useStyle } from '../../shared/settings/settings.ts';
import type { RunAnswer } from './reckon.ts';
import { PinCell } from './PinCell.tsx';
import { rowsOf } from './rows.tsx';
import { layoutRun } from './runLayout.ts';

/** One size of the run, its answer once it is in, and the fly laid out on it for drawing. */
export interface Column {
  readonly size: RunSize;
  readonly answer: RunAnswer | null;
  readonly laid: LaidFly | null;
  /** What each way of holding would take, once it is in. */
  readonly weights: Readonly<Record<Hold, WeightTaken>> | null;
  /** The fly of its own this size was saved as. */
  readonly saved: { readonly id: string; readonly name: string } | null;
}

const HEADS = 172;

interface RunTableProps {
  readonly own: LaidFly;
  readonly columns: readonly Column[];
  readonly width: number;
  readonly hold: Hold;
  readonly pins: readonly Pin[];
  /** Pins a value of one size. @returns why it cannot be pinned */
  readonly onPin: (pin: Pin) => Fault | null;
  readonly onKeep: (column: Column) => void;
}

/** The run: every size drawn at one scale over its figures. */
export function RunTable({ own, columns, width, hold, pins, onPin, onKeep }: RunTableProps) {
  const style = useStyle();
  const rows = useMemo(() => rowsOf(own, style), [own, style]);
  const { screenPxPerMm } = useSettings();
  const truePx = screenPxPerMm ?? PX_PER_MM;
  const layout = useMemo(
    () =>
      layoutRun(
        columns.map(({ laid }) => laid),
        width - HEADS - 16,
        truePx,
      ),
    [columns, width, truePx],
  );
  const { scale } = layout;
  return (
    <table className="border-separate border-spacing-0 text-left" aria-label="The run">
      <thead>
        <tr>
          <th scope="col" className="align-bottom px-4 pb-2 font-normal italic text-ink2" style={{ width: HEADS }}>
            {Math.abs(scale / truePx - 1) < 0.005 ? 'true size' : `${formatNumber(scale / truePx, 2, style)} : 1`}
          </th>
          {columns.map((column, i) => (
            <th
              key={column.size.text}
              scope="col"
              className="align-top pt-3 font-normal"
              style={{ width: layout.columns[i] }}
            >
              <span className="block px-2 text-part font-bold">{column.size.text.replace(':', ' ')}</span>
              <SizeDrawing laid={column.laid} width={layout.columns[i] ?? 0} height={layout.tall} scale={scale} />
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.name}>
            <th
              scope="row"
              className="border-t border-hair px-4 py-0.5 font-semibold whitespace-nowrap"
              style={{ maxWidth: HEADS }}
            >
              <span className="flex justify-between gap-2">
                {row.name}{' '}
                <span className="font-normal italic text-label text-measure truncate" title={relationWords(row.said)}>
                  {relationWords(row.said)}
                </span>
              </span>
            </th>
            {columns.map(({ size, answer, laid }) => (
              <td
                key={size.text}
                className="border-t border-hair px-2 py-0.5"
                data-size={size.text}
                data-row={row.name}
              >
                {answer?.ok && laid && (
                  <RunCell row={row} own={own} answer={answer} laid={laid} size={size.text} pins={pins} onPin={onPin} />
                )}
                {answer?.ok === false && <LeftPin row={row} own={own} size={size.text} pins={pins} onPin={onPin} />}
              </td>
            ))}
          </tr>
        ))}
        <RunFoot
          own={own}
          columns={columns}
          across={Math.min(...layout.columns)}
          hold={hold}
          pins={pins}
          onPin={onPin}
          onKeep={onKeep}
        />
      </tbody>
    </table>
  );
}

/** What does not scale on any other size than the fly's own: said once for all of them. */
function notesOfAll(columns: readonly Column[]): readonly string[] {
  const told = columns.flatMap(({ answer }) => (answer?.ok && answer.notes.length > 0 ? [answer.notes] : []));
  const [first = [], ...others] = told;
  return others.length === 0 ? [] : first.filter((note) => others.every((notes) => notes.includes(note)));
}

interface RunFootProps extends Omit<RunTableProps, 'width'> {
  /** px of a column. */
  readonly across: number;
}

/** Under the figures: which weight was taken, what does not scale, and where a size is saved as a fly. */
function RunFoot({ own, columns, across, hold, pins, onPin, onKeep }: RunFootProps) {
  const common = notesOfAll(columns);
  return (
    <>
      <tr>
        <th scope="row" className="border-t border-ink px-4 py-1 align-top font-semibold">
          weight held
        </th>
        {columns.map(({ size, answer, weights, laid }) => (
          <td key={size.text} className="border-t border-ink px-2 py-1 align-top" data-size={size.text} data-row="held">
            {answer?.ok && (
              <Held
                answer={answer}
                run={hold}
                weights={weights}
                own={laid !== null && isOwn(own, laid)}
                size={size.text}
                pinned={pins.find((pin) => pin.size === size.text && pin.key === 'hold')}
                onPin={onPin}
              />
            )}
          </td>
        ))}
      </tr>
      <tr>
        <th scope="row" className="border-t border-hair px-4 py-1 align-top font-semibold">
          does not scale
          {common.map((note) => (
            <p key={note} className="font-normal text-label text-ink2 whitespace-normal">
              {note}
            </p>
          ))}
        </th>
        {columns.map(({ size, answer }) => (
          <td key={size.text} className="border-t border-hair px-2 py-1 align-top text-label text-ink2">
            {answer?.ok ? (
              answer.notes.filter((note) => !common.includes(note)).map((note) => <p key={note}>{note}</p>)
            ) : (
              <Faults answer={answer} />
            )}
          </td>
        ))}
      </tr>
      <tr>
        <th scope="row" className="border-t border-hair px-4 py-2">
          <span className="sr-only">save</span>
        </th>
        {columns.map((column) => (
          <td key={column.size.text} className="border-t border-hair px-2 py-2">
            {column.answer?.ok && <SavedAs column={column} own={own} across={across} onKeep={onKeep} />}
          </td>
        ))}
      </tr>
    </>
  );
}

interface SavedAsProps extends Pick<RunFootProps, 'own' | 'across' | 'onKeep'> {
  readonly column: Column;
}

/** The fly a size was saved as, and the way to save it. */
function SavedAs({ column, own, across, onKeep }: SavedAsProps) {
  return (
    <>
      {column.saved && (
        <Link
          className="block italic text-measure underline underline-offset-2 truncate"
          style={{ maxWidth: across - 16 }}
          title={column.saved.name}
          to={`/fly/${column.saved.id}`}
        >
          {column.saved.name}
        </Link>
      )}
      {column.laid && !isOwn(own, column.laid) && (
        <button
          type="button"
          className="underline"
          aria-label={
            column.saved ? `Bring ${column.saved.name} up to the run` : `Save ${column.size.text} as a fly of its own`
          }
          onClick={() => onKeep(column)}
        >
          {column.saved ? 'bring it up to the run' : 'save as a fly'}
        </button>
      )}
    </>
  );
}

/** The fly's own size is the fly itself, which is changed on the Bench. */
const isOwn = (own: LaidFly, laid: LaidFly): boolean => laid.file.name === own.file.name;

interface RunCellProps {
  readonly row: ReturnType<typeof rowsOf>[number];
  readonly own: LaidFly;
  readonly laid: LaidFly;
  readonly answer: Extract<RunAnswer, { ok: true }>;
  readonly size: string;
  readonly pins: readonly Pin[];
  readonly onPin: RunTableProps['onPin'];
}

/** One cell: what it comes to, and where it can be pinned a way to pin it. */
function RunCell({ row, own, laid, answer, size, pins, onPin }: RunCellProps) {
  const now = isOwn(own, laid) ? null : (row.pin?.(laid) ?? null);
  const content = row.cell(answer.report, laid, answer);
  if (!now) return content;
  return (
    <PinCell
      name={`${row.name} on ${size}`}
      now={now}
      pinned={pins.find((pin) => pin.size === size && pin.part === now.part && pin.key === now.key)}
      onPin={(value) => onPin({ ...now, size, value })}
    >
      {content}
    </PinCell>
  );
}

/** A pin of a size that cannot be reckoned, where it is to be corrected. */
function LeftPin({ row, own, size, pins, onPin }: Omit<RunCellProps, 'laid' | 'answer'>) {
  const now = row.pin?.(own);
  const pinned = now && pins.find((pin) => pin.size === size && pin.part === now.part && pin.key === now.key);
  if (!pinned) return null;
  return (
    <PinCell
      name={`${row.name} on ${size}`}
      now={{ ...now, value: pinned.value }}
      pinned={pinned}
      onPin={(value) => onPin({ ...now, size, value })}
    >
      <span className="text-warn">{pinned.value}</span>
    </PinCell>
  );
}

const HELD: Readonly<Record<Hold, string>> = { shape: 'of its shape', ride: 'of its ratio', sink: 'of its speed' };

const offWords = (off: number): string => {
  const percent = Math.round(100 * off);
  return percent === 0 ? 'just' : `${percent > 0 ? '+' : '−'}${String(Math.abs(percent))} %`;
};
const FAR_OFF = 0.15;

interface HeldProps {
  readonly answer: Extract<RunAnswer, { ok: true }>;
  readonly run: Hold;
  readonly weights: Readonly<Record<Hold, WeightTaken>> | null;
  readonly own: boolean;
  readonly size: string;
  readonly pinned: Pin | undefined;
  readonly onPin: RunTableProps['onPin'];
}

/** Which size the weight was taken in and how far off that is; what the other ways of holding would take instead. */
function Held({ answer, run, weights, own, size, pinned, onPin }: HeldProps) {
  const style = useStyle();
  const { weight } = answer;
  if (!weight) return <span className="text-ink3">{own ? 'the fly itself' : 'as it is'}</span>;
  const hold = HOLDS.find((each) => each === pinned?.value) ?? run;
  const others = weights
    ? HOLDS.filter((each) => each !== hold && weights[each].diameterMm !== weight.diameterMm).map((each) => ({
        hold: each,
        mm: formatLength(weights[each].diameterMm, style).figure,
        larger: weights[each].diameterMm / weight.diameterMm - 1,
      }))
    : [];
  return (
    <>
      {weight.part}: {formatLength(weight.diameterMm, style).figure}{' '}
      <span className={Math.abs(weight.off) > FAR_OFF ? 'text-warn' : 'text-ink2'}>
        {offWords(weight.off)} {HELD[hold]}
      </span>
      {others.map((other) => (
        <span key={other.hold} className="block text-label text-ink2">
          {other.hold} takes {other.mm}, {offWords(other.larger)}
        </span>
      ))}
      {weights && others.length === 0 && <span className="block text-label text-ink2">all three take it</span>}
      <select
        className={`block bg-transparent text-label border-b border-dotted border-rule ${pinned ? 'font-semibold' : 'text-ink2'}`}
        aria-label={`what ${size} holds`}
        value={pinned?.value ?? ''}
        onChange={(event) => onPin({ size, part: null, key: 'hold', value: event.target.value })}
      >
        <option value="">as the run</option>
        {HOLDS.map((each) => (
          <option key={each} value={each}>
            {each}, pinned
          </option>
        ))}
      </select>
    </>
  );
}

function Faults({ answer }: { readonly answer: RunAnswer | null }) {
  if (answer?.ok !== false) return null;
  return (
    <span className="text-warn">
      {answer.faults.map((fault) => (
        <p key={fault.path + fault.message}>
          {fault.path}: {fault.message}
        </p>
      ))}
    </span>
  );
}

function SizeDrawing({
  laid,
  width,
  height,
  scale,
}: {
  readonly laid: LaidFly | null;
  readonly width: number;
  readonly height: number;
  readonly scale: number;
}) {
  const { hand, mode } = useSettings();
  const views = useMemo(() => {
    if (!laid) return [];
    const bounds = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
    return [viewOf('profile', eyeAt(hand, 7, bounds, scale), axisAt(height, bounds, scale), scale, hand)];
  }, [laid, scale, hand, height]);
  return (
    <span className="relative block" style={{ width, height }}>
      {laid && <FlyCanvas laid={laid} views={views} width={width} height={height} mode={mode} />}
    </span>
  );
}
