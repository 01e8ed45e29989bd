import { daylight, SUN, sunWords, WATER_COLOURS, type Sight, type WaterColour } from '@jobbet/core/study';
import { formatDepth, formatNumber, type Style } from '@jobbet/core/units';
import type { ReactNode } from 'react';
import { ChoiceField } from '../../shared/fields/Fields.tsx';
import { useStyle } from '../../shared/settings/settings.ts';

/** @param m metres */
export const depthWords = (m: number, style: Style): string => Object.values(formatDepth(1000 * m, style)).join(' ');

const luxWords = (lux: number, style: Style): string =>
  lux >= 1000 ? `${formatNumber(lux / 1000, 0, style)} klx` : `${formatNumber(lux, lux < 10 ? 1 : 0, style)} lx`;

interface SightBarProps {
  readonly sight: Sight;
  readonly onChange: (change: Partial<Sight>) => void;
  readonly children: ReactNode;
}

/** The water and the light a fly is seen in: its colour, depth, distance and the sun. */
export function SightBar({ sight, onChange, children }: SightBarProps) {
  const style = useStyle();
  const { water, depthM, distanceM, sunDeg } = sight;
  return (
    <div
      className="flex flex-wrap items-center gap-x-5 gap-y-1 px-4 py-2 border-b border-hair"
      role="group"
      aria-label="Water and light"
    >
      <label className="flex items-center gap-2">
        <span className="text-ink2">water</span>
        <ChoiceField
          label="colour of the water"
          value={water}
          options={WATER_COLOURS}
          onChange={(word) => onChange({ water: word as WaterColour })}
        />
        <span className="plain-key">W</span>
      </label>
      <Slider
        label="depth"
        value={depthM}
        range={[0, 10, 0.1]}
        told={depthWords(depthM, style)}
        onChange={(next) => onChange({ depthM: next })}
      />
      <Slider
        label="distance"
        value={distanceM}
        range={[0.1, 5, 0.1]}
        told={depthWords(distanceM, style)}
        onChange={(next) => onChange({ distanceM: next })}
      />
      <Slider
        label="light"
        value={-sunDeg}
        range={[-SUN.highest, -SUN.lowest, 1]}
        told={`${sunWords(sunDeg)}, ${luxWords(daylight(sunDeg), style)}`}
        onChange={(down) => onChange({ sunDeg: -down })}
      />
      {children}
    </div>
  );
}

interface SliderProps {
  readonly label: string;
  readonly value: number;
  readonly range: readonly [least: number, most: number, step: number];
  /** What it stands at, in words. */
  readonly told: string;
  readonly onChange: (value: number) => void;
}

function Slider({ label, value, range: [least, most, step], told, onChange }: SliderProps) {
  return (
    <label className="flex items-center gap-2">
      <span className="text-ink2">{label}</span>
      <input
        type="range"
        className="w-28 accent-[var(--shape)]"
        aria-label={label}
        aria-valuetext={told}
        min={least}
        max={most}
        step={step}
        value={value}
        onChange={(event) => onChange(Number(event.target.value))}
      />
      <b className="w-20 whitespace-nowrap">{told}</b>
    </label>
  );
}
