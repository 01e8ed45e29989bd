import type { Fault } from '@jobbet/core/base';
import { readTyped } from '@jobbet/core/units';
import { useState } from 'react';
import { TextField } from '../../shared/fields/Fields.tsx';
import { setSettings } from '../../shared/settings/settings.ts';

/** A bank card as ISO/IEC 7810 ID-1 has it, mm. */
const CARD = { width: 85.6, height: 53.98, corner: 3.18 };
/** What any screen may have, px a mm. */
const RANGE = [2, 14] as const;
const LINE_PX = 300;

/** Brings the screen to true size: by a bank card held against it, or by a line measured on it. */
export function Calibrate({ pxPerMm, onClose }: { readonly pxPerMm: number; readonly onClose: () => void }) {
  const [trial, setTrial] = useState(pxPerMm);
  const measured = (text: string): readonly Fault[] => {
    const read = readTyped('length', text, { bare: 'mm', above: 0 });
    if (read.is !== 'figure') return read.is === 'wrong' ? [{ path: '', code: 'syntax', message: read.message }] : [];
    const next = LINE_PX / read.value;
    if (next < RANGE[0] || next > RANGE[1])
      return [{ path: '', code: 'range', message: 'no screen draws this line so long; measure it from end to end' }];
    setTrial(next);
    return [];
  };
  return (
    <section className="px-4 py-3 border-b border-hair bg-sunk" aria-label="True size on this screen">
      <p className="mb-3">
        Hold a bank card against the screen and make the outline as broad as the card. The arrow keys move it a little.
      </p>
      <label className="flex items-center gap-3 mb-3">
        <span className="text-ink2">breadth</span>
        <input
          type="range"
          className="flex-1 accent-[var(--measure)]"
          aria-label="breadth of the outline"
          min={RANGE[0]}
          max={RANGE[1]}
          step={0.01}
          value={trial}
          onChange={(event) => setTrial(Number(event.target.value))}
        />
        <span className="italic text-measure w-28">{trial.toFixed(2)} px / mm</span>
      </label>
      <div
        data-testid="card"
        className="border-2 border-ink bg-band"
        style={{ width: CARD.width * trial, height: CARD.height * trial, borderRadius: CARD.corner * trial }}
      />
      <div className="mt-4 flex items-center gap-3">
        <svg width={LINE_PX + 2} height={20} aria-hidden="true">
          <path d={`M1 2v16M1 10h${String(LINE_PX)}M${String(LINE_PX + 1)} 2v16`} stroke="var(--ink)" fill="none" />
        </svg>
        <span>
          or measure this line with a caliper:{' '}
          <TextField
            label="the line measures"
            value=""
            empty="in mm"
            onChange={measured}
            measures={{ kind: 'length', nominal: LINE_PX / pxPerMm }}
          />
        </span>
      </div>
      <p className="mt-4 flex gap-3">
        <button
          type="button"
          className="sheet-button primary"
          onClick={() => {
            setSettings({ screenPxPerMm: trial });
            onClose();
          }}
        >
          Keep it
        </button>
        <button
          type="button"
          className="sheet-button"
          onClick={() => {
            setSettings({ screenPxPerMm: null });
            onClose();
          }}
        >
          Forget it
        </button>
      </p>
    </section>
  );
}
