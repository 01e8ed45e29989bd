import type { LaidFly, Bounds } from '@jobbet/core/model';
import { gripBy, headGrip, partGrips, tipGrip, type Grip } from '@jobbet/core/edit';
import { screenX, screenY, type View } from '@jobbet/core/drawing';
import { formatLength, type Style } from '@jobbet/core/units';
import type { KeyboardEvent, PointerEvent, RefObject } from 'react';
import { useStyle } from '../settings/settings.ts';
import { useStable } from '../ui/useStable.ts';
import { Handle } from './Handle.tsx';
import { mmAt } from './layout.ts';

/** A grip in the hand: it takes each place the pointer comes to, then ends. */
export interface Pulling {
  /** @param deltaMm pull since it began @param withinMm how near something has to be for the grip to come to rest on it, 0 for free */
  readonly to: (deltaMm: number, withinMm: number) => void;
  readonly end: () => void;
}

/** What can be done to a fly on its drawing. */
export interface DrawingActions {
  readonly onPick: (id: string) => void;
  readonly onPullStart: (gripId: string) => Pulling | null;
  /** Nudges a grip by steps of its number: aft or outward when above zero. */
  readonly onNudge: (gripId: string, steps: number) => void;
  /** Moves a grip by so many stations. */
  readonly onStation: (gripId: string, stations: number) => void;
}

/** Where the views lie that grips are taken hold of in; without a plan only what is pulled along the shank can be. */
export interface GripPlan {
  readonly width: number;
  readonly scale: number;
  readonly dir: 1 | -1;
  readonly bounds: Bounds;
  readonly profile: View;
  readonly plan: View | null;
}

interface GripsProps extends DrawingActions {
  readonly laid: LaidFly;
  readonly selected: string | null;
  /** Whether the hook is picked, so that its head space can be pulled. */
  readonly hook: boolean;
  readonly layout: GripPlan;
  readonly svg: RefObject<SVGSVGElement | null>;
}

/** Something this near draws a pulled grip to itself, px. */
const REST_PX = 6;

/** `tail tip`, `strip binding 2`, `head space`. */
function nameOf({ part, kind, key }: Grip): string {
  const listed = /\[(\d+)\]$/.exec(key);
  return [part, kind, listed ? String(Number(listed[1]) + 1) : null].filter((word) => word !== null).join(' ');
}

function toldBy({ text, mm, kind }: Grip, freeMm: number, style: Style): string {
  const { figure, unit } = formatLength(kind === 'tip' ? freeMm : mm, style);
  return `${text}, ${figure} ${unit}`;
}

/** Everything on the drawing that can be pulled: the tips of all parts, and all of the picked one in profile and plan. */
export function Grips(props: GripsProps) {
  const { laid, selected, hook, layout, svg, onPick, onPullStart } = props;
  const style = useStyle();
  const { plan } = layout;
  const all = [
    ...(hook ? [headGrip(laid)] : []),
    ...laid.parts.flatMap((part) => (part.file.id === selected ? partGrips(part) : (tipGrip(part) ?? []))),
  ];
  const grips = plan ? all : all.filter((grip) => grip.way === 'along');
  const start = (grip: Grip, above: boolean, event: PointerEvent<SVGGElement>): void => {
    event.preventDefault();
    event.stopPropagation();
    event.currentTarget.focus();
    if (grip.part !== null) onPick(grip.part);
    const pull = onPullStart(grip.id);
    if (!pull) return;
    const left = svg.current?.getBoundingClientRect().left ?? 0;
    const from = { x: mmAt(layout, event.clientX - left), y: event.clientY };
    const outward = above && plan ? Math.sign(grip.above[1] - 1e-9) * plan.up[1] : grip.down ? -1 : 1;
    followPointer((moved) => {
      const along = mmAt(layout, moved.clientX - left) - from.x;
      const out = (outward * (from.y - moved.clientY)) / layout.scale;
      pull.to(grip.way === 'out' ? out : along, moved.ctrlKey || moved.metaKey ? 0 : REST_PX / layout.scale);
    }, pull.end);
  };
  const byId = new Map(grips.map((each) => [each.id, each]));
  const pull = useStable((id: string, above: boolean, event: PointerEvent<SVGGElement>) => {
    const grip = byId.get(id);
    if (grip) start(grip, above, event);
  });
  const key = useStable((id: string, event: KeyboardEvent<SVGGElement>) => {
    const grip = byId.get(id);
    if (grip) pressOn(grip, event, props);
  });
  const pick = useStable((id: string) => {
    const part = byId.get(id)?.part;
    if (part !== undefined && part !== null) onPick(part);
  });
  const handle = (grip: Grip, above: boolean) => {
    const [view, at] = above && plan ? [plan, grip.above] : [layout.profile, grip.at];
    const part = laid.parts.find((each) => each.file.id === grip.part);
    return (
      <Handle
        key={`${grip.id}${above ? ' above' : ''}`}
        grip={grip.id}
        onPull={pull}
        onKey={key}
        onPick={pick}
        x={screenX(view, at)}
        y={screenY(view, at)}
        kind={grip.kind}
        picked={grip.part !== null && grip.part === selected}
        name={nameOf(grip)}
        pointerOnly={above}
        valueMm={grip.mm}
        lowMm={grip.kind === 'tip' ? (part?.extent.endMm ?? 0) : 0}
        highMm={grip.way === 'out' ? 20 : laid.platform.hookMm * 4}
        valueText={toldBy(grip, part?.extent.lengthMm ?? 0, style)}
      />
    );
  };
  return (
    <>
      {plan && grips.filter((each) => each.part === selected || each.part === null).map((each) => handle(each, true))}
      {grips.map((each) => handle(each, false))}
    </>
  );
}

/** Follows the pointer, once a frame, until it is let go. */
function followPointer(to: (moved: globalThis.PointerEvent) => void, end: () => void): void {
  let next: globalThis.PointerEvent | null = null;
  const frame = (): void => {
    if (next) to(next);
    next = null;
  };
  const move = (moved: globalThis.PointerEvent): void => {
    if (next === null) requestAnimationFrame(frame);
    next = moved;
  };
  const up = (): void => {
    frame();
    window.removeEventListener('pointermove', move);
    window.removeEventListener('pointercancel', up);
    end();
  };
  window.addEventListener('pointermove', move);
  window.addEventListener('pointerup', up, { once: true });
  window.addEventListener('pointercancel', up, { once: true });
}

/** Arrows nudge a grip, by a fifth with Shift; Page up and down take it a station on. */
function pressOn(grip: Grip, event: KeyboardEvent, { layout, onNudge, onStation }: GripsProps): void {
  const aft = layout.dir;
  const steps = { ArrowLeft: -aft, ArrowRight: aft, ArrowUp: 1, ArrowDown: -1 }[event.key];
  const stations = { PageUp: 1, PageDown: -1 }[event.key];
  if ((steps ?? stations) === undefined || event.ctrlKey || event.metaKey || event.altKey) return;
  event.preventDefault();
  event.stopPropagation();
  if (stations !== undefined) onStation(grip.id, stations);
  else if (steps !== undefined) onNudge(grip.id, event.shiftKey ? steps / 5 : steps);
}

/** What a pulled grip says now, beside it, and a line through both views where it came to rest on something. */
export function PullWords({
  laid,
  layout,
  pull,
}: {
  readonly laid: LaidFly;
  readonly layout: GripPlan;
  readonly pull: { readonly gripId: string; readonly words: string; readonly snapped: boolean };
}) {
  const grip = gripBy(laid, pull.gripId);
  if (!grip) return null;
  const { profile, plan, bounds, scale } = layout;
  const [x, y] = [screenX(profile, grip.at), screenY(profile, grip.at)];
  const wide = pull.words.length * 6.6 + 16;
  const left = Math.max(6, Math.min(layout.width - wide - 6, x - wide / 2));
  return (
    <g data-testid="pull-words" aria-hidden="true">
      {pull.snapped && grip.way === 'along' && (
        <line
          x1={x}
          x2={x}
          y1={profile.oy - bounds.top * scale}
          y2={plan ? plan.oy + bounds.aside * scale : profile.oy - bounds.bottom * scale}
          stroke="var(--measure)"
          strokeWidth={0.8}
          strokeDasharray="4 2.5"
        />
      )}
      <rect
        x={left}
        y={y - 38}
        width={wide}
        height={20}
        fill={pull.snapped ? 'var(--pick)' : 'var(--sheet)'}
        stroke={pull.snapped ? 'var(--on-pick)' : 'var(--measure)'}
        strokeWidth={0.8}
      />
      <text
        x={left + wide / 2}
        y={y - 24}
        textAnchor="middle"
        fontSize={12.5}
        fontStyle="italic"
        fontWeight={600}
        fill={pull.snapped ? 'var(--on-pick)' : 'var(--measure)'}
      >
        {pull.words}
      </text>
    </g>
  );
}
