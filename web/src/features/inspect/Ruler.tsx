import { parseQuantity } from '@jobbet/core/units';
import { useState } from 'react';
import { TextField } from '../../shared/fields/Fields.tsx';
import { useStyle } from '../../shared/settings/settings.ts';
import { Spot } from './Landmarks.tsx';
import type { OnView } from './photo.ts';
import { readReadings } from './readings.ts';

type Px = readonly [number, number];

interface RulerProps {
  /** mm a pixel, where a ruler or a card told it; null: by the hook. */
  readonly mmPerPx: number | null;
  readonly lies: OnView;
  readonly width: number;
  readonly height: number;
  readonly onScale: (mmPerPx: number | null) => void;
}

/** A key moves an end of the ruler by so many px of the view. */
const STEP_PX = 1;
/** Where its ends lie at first, shares of the view. */
const ENDS = [0.3, 0.7] as const;
const LOW = 0.8;

/** What sets the scale of a photograph, and a ruler that lies in it: two marks of it, pulled to, and how far they are apart. */
export function Ruler({ mmPerPx, lies, width, height, onScale }: RulerProps) {
  const [laid, setLaid] = useState(false);
  return (
    <>
      {laid && (
        <Laid
          {...{ lies, width, height }}
          onScale={(scale) => {
            onScale(scale);
            setLaid(false);
          }}
        />
      )}
      <p className="absolute left-3 top-8 text-label bg-sheet/85 px-1 flex gap-2 items-baseline">
        <span className="text-ink2 italic">
          {mmPerPx === null ? 'its own hook sets the scale' : 'a ruler or card sets the scale'}
        </span>
        <button type="button" className="underline" aria-pressed={laid} onClick={() => setLaid(!laid)}>
          {laid ? 'no ruler' : 'a ruler in it'}
        </button>
        {mmPerPx !== null && (
          <button type="button" className="underline" onClick={() => onScale(null)}>
            by its hook
          </button>
        )}
      </p>
    </>
  );
}

/** The two marks that are laid on a ruler, and the length between them. */
function Laid({
  lies,
  width,
  height,
  onScale,
}: Pick<RulerProps, 'lies' | 'width' | 'height'> & { readonly onScale: (mmPerPx: number) => void }) {
  const style = useStyle();
  const [ends, setEnds] = useState<readonly [Px, Px]>(() => [
    lies.from(ENDS[0] * width, LOW * height),
    lies.from(ENDS[1] * width, LOW * height),
  ]);
  const [one, other] = ends;
  const [x1, y1] = lies.to(...one);
  const [x2, y2] = lies.to(...other);
  const spot = (name: string, at: Px, put: (to: Px) => readonly [Px, Px]) => {
    const move = (to: Px): void => setEnds(put(to));
    return <Spot {...{ name, at, lies }} step={STEP_PX} each="a pixel each" onPull={move} onLet={move} />;
  };
  return (
    <>
      <svg width={width} height={height} className="absolute inset-0 pointer-events-none" aria-hidden="true">
        <line {...{ x1, y1, x2, y2 }} stroke="var(--measure)" strokeWidth={1.5} />
      </svg>
      {spot('one mark', one, (to) => [to, other])}
      {spot('another mark', other, (to) => [one, to])}
      <label className="absolute left-3 top-14 bg-sheet/85 px-1 flex gap-2 items-baseline text-label">
        From mark to mark
        <span className="w-[90px]">
          <TextField
            label="Length from mark to mark of the ruler"
            value=""
            empty="say 50 mm"
            later
            onChange={(text) => {
              const read = readReadings(text, 'length', style.length, undefined);
              if ('faults' in read) return read.faults;
              const [reading] = read.readings;
              const length = typeof reading === 'string' ? parseQuantity('length', reading) : null;
              const px = Math.hypot(other[0] - one[0], other[1] - one[1]);
              if (length?.ok === true && px > 0) onScale(length.value / px);
              return [];
            }}
          />
        </span>
      </label>
    </>
  );
}
