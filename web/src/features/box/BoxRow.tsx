import { layFly, boundsOf } from '@jobbet/core/model';
import { axisAt, viewOf } from '@jobbet/core/drawing';
import type { KeptCheck } from '@jobbet/core/contract';
import { formatMass, formatSpeed } from '@jobbet/core/units';
import { memo, useEffect, useMemo, useState } from 'react';
import { api, type SoundFly } from '../../shared/api/client.ts';
import { exportFile } from '../../fly/export.ts';
import { useDrawers } from '../../shared/api/useDrawers.ts';
import { FlyCanvas } from '../../shared/drawing/FlyCanvas.tsx';
import { useFlyOf } from '../../shared/api/listed.ts';
import { useSettings, useStyle } from '../../shared/settings/settings.ts';
import { Menu } from '../../shared/ui/Menu.tsx';
import { dayLately, longDay } from '../../shared/ui/dates.ts';
import { RideGlyph, rideWords } from '../../shared/ui/RideGlyph.tsx';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import { drawingWidth, rowEyeAt } from './place.ts';
import { toSettleOf } from './sorting.ts';

/** Where a row lies in the list, px; its drawing may stand `over` px out of it. */
export interface RowPlace {
  readonly index: number;
  readonly of: number;
  readonly top: number;
  readonly height: number;
  readonly left: number;
  readonly over: number;
}

interface RowProps {
  readonly fly: SoundFly;
  readonly place: RowPlace;
  readonly picked: boolean;
  readonly chosen: boolean;
  /** The group that begins with it, and how many are in it. */
  readonly heading: string | null;
  /** How it fishes, where the box stands in that order. */
  readonly said: string | null;
  /** How many of it are tied and lie in the box. */
  readonly inBox: number;
  /** The last day it was fished; null where it never was. */
  readonly lastOut: string | null;
  readonly frontMm: number;
  readonly rearMm: number;
  readonly scale: number;
  readonly onOpen: () => void;
  readonly onPick: () => void;
  /** @param through everything from the last chosen one to it */
  readonly onChoose: (through: boolean) => void;
  readonly onCopy: () => void;
  readonly onRename: () => void;
  readonly onRemove: () => void;
}

/** One fly of the box, drawn at the common scale. */
export function BoxRow(props: RowProps) {
  const { fly, place, picked, heading, said, inBox, lastOut, frontMm, rearMm, scale, onOpen, onPick } = props;
  const style = useStyle();
  const { summary, listed } = fly;
  const sink = summary.sinkMmS === null ? null : formatSpeed(summary.sinkMmS, style);
  const mass = formatMass(summary.dryMg, style);
  const drawing = drawingWidth(frontMm, rearMm, scale);
  const checks = toSettleOf(fly, useSettings().looks);
  const { meant } = listed;
  const other = meant !== null && meant !== summary.ride;
  const sinks = sink ? `sinks ${summary.sinkClass ?? ''}, ${sink.figure} ${sink.unit}` : 'floats';
  const rides = `rides ${rideWords(summary.ride)}${other ? `, meant ${rideWords(meant)}` : ''}`;
  return (
    <li
      className={`absolute right-0 border-b border-hair flex items-center ${picked ? 'bg-sunk' : 'hover:bg-sunk/50'}`}
      style={{ top: place.top, height: place.height, left: place.left }}
      aria-setsize={place.of}
      aria-posinset={place.index + 1}
    >
      {heading !== null && (
        <span className="absolute left-3 top-1 z-10 font-bold border-b-2 border-ink pr-3">{heading}</span>
      )}
      {picked && (
        <span
          className="absolute left-0 top-0 bottom-0 w-[5px] bg-pick border-r border-on-pick/40"
          aria-hidden="true"
        />
      )}
      <button
        type="button"
        onClick={onOpen}
        onFocus={(event) => {
          // Picking scrolls the row wholly into sight; under a press it would move away before the button is let go.
          if (event.currentTarget.matches(':focus-visible')) onPick();
        }}
        className="flex items-center h-full flex-1 min-w-0 text-left"
        aria-label={`${fly.name}, ${summary.platform}, ${rides}, ${sinks}, ${mass.figure} ${mass.unit}${inBox > 0 ? `, ${String(inBox)} in the box` : ''}${lastOut === null ? '' : `, last out ${longDay(lastOut)}`}${checks.length > 0 ? `, ${String(checks.length)} to settle` : ''}`}
      >
        <span className="relative shrink-0" style={{ width: drawing, height: place.height }}>
          <strong className="absolute left-3 top-1/2 -translate-y-1/2 text-row">{sink?.figure ?? '–'}</strong>
          <span className="absolute left-0" style={{ top: -place.over }}>
            <RowDrawing
              fly={fly}
              width={drawing}
              height={place.height + 2 * place.over}
              frontMm={frontMm}
              rearMm={rearMm}
              scale={scale}
            />
          </span>
        </span>
        <span className="flex-1 min-w-0 pl-4">
          <span className="block text-sentence font-bold truncate">{fly.name}</span>
          <span className="block italic text-ink2 truncate">
            {[summary.platform, said ?? listed.group].filter((each) => each !== null).join(' · ')}
          </span>
        </span>
        <RowRide fly={fly} />
        <span className="w-20 shrink-0 max-[1100px]:hidden">{summary.sinkClass ?? 'floats'}</span>
        <span className="w-16 shrink-0 text-right">
          {mass.figure} <span className="text-ink3">{mass.unit}</span>
        </span>
        <span className="w-16 shrink-0 text-right max-[1150px]:hidden">{inBox > 0 && inBox}</span>
        <span className="w-[72px] shrink-0 text-right max-[1250px]:hidden">
          {lastOut !== null && dayLately(lastOut)}
        </span>
        <RowChecks checks={checks} />
      </button>
      <ChooseBox {...props} />
      <RowMenu {...props} />
    </li>
  );
}

/** The box that chooses a fly. */
function ChooseBox({ fly, chosen, onChoose }: Pick<RowProps, 'fly' | 'chosen' | 'onChoose'>) {
  return (
    <label className="w-9 h-full shrink-0 grid place-items-center" title="Choose; with Shift all from the last one">
      <input
        type="checkbox"
        className="size-4 accent-[var(--ink)]"
        aria-label={`Choose ${fly.name}`}
        checked={chosen}
        onChange={(event) => onChoose((event.nativeEvent as MouseEvent).shiftKey)}
      />
    </label>
  );
}

/** How a fly rides, and how it was meant to where that is another way. */
function RowRide({ fly: { summary, listed } }: Pick<RowProps, 'fly'>) {
  const { meant } = listed;
  const other = meant !== null && meant !== summary.ride;
  return (
    <span className="w-36 max-[900px]:w-10 flex items-center gap-2 shrink-0">
      <RideGlyph ride={summary.ride} heelDeg={summary.heelDeg} balls={listed.balls} size={36} />
      {other ? (
        <span className="text-warn max-[900px]:hidden">
          <span className="flex items-center gap-1.5">
            <SnagFlag /> {rideWords(summary.ride)}
          </span>
          <span className="block text-label italic">meant {rideWords(meant)}</span>
        </span>
      ) : (
        <span className="max-[900px]:hidden">{rideWords(summary.ride)}</span>
      )}
    </span>
  );
}

/** How much of a fly is to be settled; what, where the pointer rests. */
function RowChecks({ checks }: { readonly checks: readonly KeptCheck[] }) {
  return (
    <span
      className="w-20 shrink-0 pl-6 flex items-center gap-1.5"
      title={checks.length > 0 ? checks.map(({ message }) => message).join('\n') : 'nothing to settle'}
    >
      {checks.length > 0 && (
        <>
          <SnagFlag /> <strong className="text-warn">{checks.length}</strong>
        </>
      )}
    </span>
  );
}

/** What can be done with a fly of the box. */
function RowMenu({ fly, onOpen, onCopy, onRename, onRemove }: RowProps) {
  return (
    <Menu
      className="w-12 h-full shrink-0 text-ink2"
      label={`More for ${fly.name}`}
      lines={[
        { name: 'Open', run: onOpen },
        { name: 'Copy', run: onCopy },
        { name: 'Rename', run: onRename },
        { name: 'Save the pattern file', run: () => void api.fly(fly.id).then(({ file }) => exportFile(file)) },
        { name: 'Put in the trash', run: onRemove, apart: true },
      ]}
    >
      ⋯
    </Menu>
  );
}

interface DrawingProps {
  readonly fly: SoundFly;
  readonly width: number;
  readonly height: number;
  readonly frontMm: number;
  readonly rearMm: number;
  readonly scale: number;
}

/** A row that is only scrolled past is not fetched. */
const RESTS_MS = 60;

/** A fly once its row has been there for a moment. */
function useRested(fly: SoundFly): SoundFly | null {
  const [rested, setRested] = useState<SoundFly | null>(null);
  useEffect(() => {
    const timer = setTimeout(() => setRested(fly), RESTS_MS);
    return () => clearTimeout(timer);
  }, [fly]);
  return rested;
}

/** The fly itself; remembered, since the pointer passes over rows often and the drawing does not change for it. */
const RowDrawing = memo(function RowDrawing({ fly, width, height, frontMm, rearMm, scale }: DrawingProps) {
  const { hand } = useSettings();
  const tables = useDrawers().drawers?.tables;
  const file = useFlyOf(useRested(fly))?.file;
  const laid = useMemo(() => (tables && file ? layFly(file, tables) : null), [file, tables]);
  const views = useMemo(() => {
    if (!laid?.ok) return [];
    const bounds = boundsOf(laid.value.sections, laid.value.platform.landmarksMm.rear);
    return [viewOf('profile', rowEyeAt(hand, frontMm, rearMm, scale), axisAt(height, bounds, scale), scale, hand)];
  }, [laid, hand, frontMm, rearMm, scale, height]);
  if (!laid) return null;
  return laid.ok ? (
    <FlyCanvas laid={laid.value} views={views} width={width} height={height} mode="dressed" />
  ) : (
    <span className="absolute inset-0 grid place-items-center text-warn">does not lay out</span>
  );
});
