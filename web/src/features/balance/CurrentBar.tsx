import { meantFor, type HoldRange, type LaidFly, type SideLimit } from '@jobbet/core/model';
import { formatSpeed } from '@jobbet/core/units';
import { useStyle } from '../../shared/settings/settings.ts';
import { WhyButton } from '../../fly/verdict/WhyButton.tsx';
import type { Asked, CurrentShown } from './useBalance.ts';

interface CurrentBarProps {
  readonly laid: LaidFly;
  readonly limits: readonly SideLimit[];
  readonly range: HoldRange | null;
  readonly asked: Asked;
  /** The fly in the current it is put in. */
  readonly current: CurrentShown | null;
  readonly onAsk: (asked: Asked) => void;
}

const STEP = 10;
const LEAST_TOP = 400;
const MOST_TOP = 2000;

/** A side current that is turned up until the fly gives way. */
export function CurrentBar({ laid, limits, range, asked, current, onAsk }: CurrentBarProps) {
  const style = useStyle();
  const speed = (mmS: number): string => Object.values(formatSpeed(mmS, style)).join(' ');
  const holds = limits.map((limit) => limit.holdsTo);
  const least = holds.some((each) => each !== null) ? Math.min(...holds.map((each) => each ?? Infinity)) : null;
  const meantMmS = meantFor(laid.file).currentMmS;
  const top = Math.min(
    MOST_TOP,
    Math.max(LEAST_TOP, 1.5 * Math.max(0, ...holds.map((each) => each ?? 0)), meantMmS ?? 0),
  );
  const now = asked.kind === 'current' ? asked.speedMmS : 0;
  const flow = asked.kind === 'current' ? asked.flow : 1;
  const rest = laid.tight.heelDeg;
  const told =
    rest === null
      ? 'Nothing turns it back, so any current does as it likes.'
      : current === null
        ? least === null
          ? 'No side current turns it over.'
          : `It holds to ${speed(least)}${sides(limits, speed)}.${touchy(range, speed)}`
        : current.restDeg === null
          ? `At ${speed(current.speedMmS)} it gives way and rolls over.`
          : `At ${speed(current.speedMmS)} it heels ${String(Math.round(Math.abs(current.restDeg - rest)))}° and holds.`;
  return (
    <section aria-label="Side current" className="px-4 py-2">
      <h2 className="font-semibold">
        Side current <span className="font-normal italic text-ink2">on a tight line</span>
      </h2>
      <div className="flex items-center gap-3">
        <input
          type="range"
          className="flex-1 accent-[var(--shape)]"
          aria-label="side current"
          aria-valuetext={speed(now)}
          min={0}
          max={Math.ceil(top / STEP) * STEP}
          step={STEP}
          value={now}
          disabled={rest === null}
          onChange={(event) => {
            const speedMmS = Number(event.target.value);
            onAsk(speedMmS === 0 ? { kind: 'rest' } : { kind: 'current', speedMmS, flow });
          }}
        />
        <span className="italic text-shape w-20 text-right">{speed(now)}</span>
        <select
          className="field"
          aria-label="where the current comes from"
          value={flow}
          onChange={(event) => {
            if (asked.kind === 'current') onAsk({ ...asked, flow: event.target.value === '1' ? 1 : -1 });
          }}
          disabled={asked.kind !== 'current'}
        >
          <option value={1}>from the far side</option>
          <option value={-1}>from the near side</option>
        </select>
      </div>
      <p role="status" className={current?.restDeg === null ? 'text-warn font-semibold' : ''} data-testid="current">
        {told}{' '}
        {meantMmS !== null && least !== null && (
          <span className={least < meantMmS ? 'text-warn' : 'text-ink2'}>It is meant for {speed(meantMmS)}.</span>
        )}{' '}
        <WhyButton asked="holds" laid={laid} />
      </p>
    </section>
  );
}

/** How far it moves with the soft lengths, where it does. */
function touchy(range: HoldRange | null, speed: (mmS: number) => string): string {
  if (!range) return '';
  const [least, most] = [range.least, range.most].map((each) => (each === null ? 'any' : speed(each)));
  return ` Touchy: ${least ?? ''} to ${most ?? ''} with its soft lengths a twentieth off.`;
}

/** What either side holds, where they differ. */
function sides(limits: readonly SideLimit[], speed: (mmS: number) => string): string {
  const [a, b] = limits;
  if (!a || !b) return '';
  const words = (mmS: number | null): string => (mmS === null ? 'any' : speed(mmS));
  if (words(a.holdsTo) === words(b.holdsTo)) return '';
  const far = a.flow === 1 ? a : b;
  const near = a.flow === 1 ? b : a;
  return `: ${words(far.holdsTo)} from the far side, ${words(near.holdsTo)} from the near`;
}
