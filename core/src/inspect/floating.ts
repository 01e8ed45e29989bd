import { type LaidFly, softEnvelopeMm3 } from '../model/index.ts';
import type { SpecimenFile } from '../records/index.ts';
import { parseQuantity } from '../units/index.ts';

type JarFile = NonNullable<SpecimenFile['jar']>;

/** How long a fly floated that was laid on the water dry, against how long it was soaked before it fell. */
export interface FloatReport {
  readonly floated_s: number;
  /** Null where nobody said. */
  readonly soaked_s: number | null;
  /** As the model has it once all its air is gone. */
  readonly model: 'floats' | 'sinks';
  /** Air that held it up as it was laid on, mg of water pushed aside, at least; and as a share of the room between its soft fibres, where that can hold so much. */
  readonly air_mg: number;
  readonly airShare: number | null;
  /** Whether the falls that follow may still have had air in them. */
  readonly airLeft: boolean;
  readonly words: readonly string[];
}

const secondsOf = (text: string | undefined): number | null => {
  const read = text === undefined ? null : parseQuantity('time', text);
  return read?.ok === true ? read.value : null;
};

function wordsOf({ model, air_mg: air, airShare, airLeft }: Omit<FloatReport, 'words'>, floated: string): string[] {
  return [
    ...(model === 'floats'
      ? [
          `as reckoned it floats soaked through, by ${String(Math.round(air))} mg; it went under after ${floated}: its hair takes up that much at least`,
        ]
      : airShare === null
        ? [`it floated ${floated}, and no air between its fibres would bear that: the skin of the water did, so wet it`]
        : [
            `it floated ${floated}: as it was laid on, air in ${String(Math.max(1, Math.round(100 * airShare)))} % of its soft parts or more held it up`,
          ]),
    ...(airLeft ? [`soak it for ${floated} at least, squeezed out under water, before a fall teaches anything`] : []),
  ];
}

/** What a fly that was laid on the water dry tells, a spun head above all; null where that was not tried. */
export function floatReport(laid: LaidFly, { floated, soaked }: JarFile): FloatReport | null {
  const floatedS = secondsOf(floated);
  if (floated === undefined || floatedS === null) return null;
  const soakedS = secondsOf(soaked);
  const room = laid.water.density * softEnvelopeMm3(laid);
  const held = Math.abs(laid.submergedMg);
  const told = {
    floated_s: floatedS,
    soaked_s: soakedS,
    model: laid.submergedMg > 0 ? ('sinks' as const) : ('floats' as const),
    air_mg: held,
    airShare: laid.submergedMg > 0 && held <= room ? held / room : null,
    airLeft: soakedS === null || soakedS < floatedS,
  };
  return { ...told, words: wordsOf(told, floated) };
}
