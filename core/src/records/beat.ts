import { z } from 'zod';
import { bad, good, type Outcome } from '../base/index.ts';
import { firstKind } from '../document/index.ts';
import { parseQuantity, type QuantityKind } from '../units/index.ts';
import { quantity } from './measures.ts';

/** A stretch of water that is fished: how deep it is, how fast it runs, what its bed is of, how clear it is. */
const MOST = { depthMm: 30_000, speedMmS: 4000, widthMm: 500_000, roughnessMm: 2000 } as const;

/** A measure within what water is. */
const within = (kind: QuantityKind, meaning: string, least: number, most: number) =>
  quantity(kind, meaning, (value, text) => {
    if (value < least) return `"${text}" is too little: a ${meaning} is more`;
    return value > most ? `"${text}" is too much: no ${meaning} that a fly is fished in is so large` : null;
  });

const speed = within('speed', 'current', 0, MOST.speedMmS);

export const BEDS = ['sand', 'gravel', 'cobbles', 'boulder', 'weed'] as const;
/** How rough a bed is, as sand grains of that size would be, mm; the last two are judged. */
export const ROUGHNESS_MM: Readonly<Record<(typeof BEDS)[number], number>> = {
  sand: 2,
  gravel: 50,
  cobbles: 200,
  boulder: 400,
  weed: 100,
};

const gauge = z.strictObject({
  station: z.string().min(1).max(120),
  referenceLevel: within('length', 'level', -50_000, 50_000),
  low: within('length', 'level', -50_000, 50_000).optional(),
  high: within('length', 'level', -50_000, 50_000).optional(),
  depthPerLevel: z.number().min(0).max(5).describe('m of depth a m of level').optional(),
  speedPerLevel: z.number().min(-5).max(10).describe('m/s a m of level').optional(),
});

export const beatSchema = z.strictObject({
  format: z.literal('jobbet.beat'),
  version: z.literal(1),
  name: z.string().min(1).max(200),
  depth: within('length', 'depth', 100, MOST.depthMm),
  speed: z
    .union([speed, z.strictObject({ surface: speed })])
    .describe('mean over the depth, or as a float on top is timed'),
  width: within('length', 'width', 500, MOST.widthMm).optional(),
  bankShare: z.number().min(0).max(1).describe('current at the rod’s side as a share of that further out').optional(),
  bed: z.enum(BEDS),
  roughness: within('length', 'roughness', 0.01, MOST.roughnessMm).optional(),
  clarity: within('length', 'depth at which a white disc is lost', 10, 50_000).optional(),
  kind: z.enum(['fresh', 'brackish', 'salt']).optional(),
  temperature: within('temperature', 'temperature of water', -2, 35).optional(),
  gauge: gauge.optional(),
  simulated: z.boolean().describe('made up, no water that was sounded').optional(),
  note: z.string().max(20_000).optional(),
});
export type BeatFile = z.infer<typeof beatSchema>;

export const BEAT_KIND = firstKind('beat', beatSchema);

const mm = (kind: QuantityKind, text: string | undefined, otherwise: number): number => {
  const read = text === undefined ? null : parseQuantity(kind, text);
  return read?.ok === true ? read.value : otherwise;
};

/** The mean over the depth of a current that is timed with a float on top. */
const MEAN_OF_SURFACE = 0.85;
const USUAL_BANK_SHARE = 0.55;

/** A beat in figures, at a level of its gauge. mm, mm/s. */
export interface BeatNow {
  readonly depthMm: number;
  readonly meanMmS: number;
  readonly roughnessMm: number;
  readonly bankShare: number;
  readonly widthMm: number | null;
  readonly clarityMm: number | null;
  readonly kind: 'fresh' | 'brackish' | 'salt';
  readonly temperatureC: number;
}

const USUAL_C = 10;

/** A beat as it is at a level. @param levelMm of its gauge; null: as it is written */
export function beatAt(beat: BeatFile, levelMm: number | null = null): Outcome<BeatNow> {
  const rises = levelMm === null || !beat.gauge ? 0 : levelMm - mm('length', beat.gauge.referenceLevel, 0);
  const depthMm = mm('length', beat.depth, 0) + (beat.gauge?.depthPerLevel ?? 0) * rises;
  const written =
    typeof beat.speed === 'string' ? mm('speed', beat.speed, 0) : MEAN_OF_SURFACE * mm('speed', beat.speed.surface, 0);
  const meanMmS = written + (beat.gauge?.speedPerLevel ?? 0) * rises;
  if (depthMm < 100)
    return bad({
      path: 'depth',
      code: 'range',
      message: `at that level ${beat.name} is ${String(Math.round(Math.max(0, depthMm) / 10))} cm deep: nothing is fished there`,
    });
  if (depthMm > MOST.depthMm || meanMmS > MOST.speedMmS)
    return bad({
      path: 'level',
      code: 'range',
      message: `at that level ${beat.name} would be ${(depthMm / 1000).toFixed(1)} m deep and run ${(meanMmS / 1000).toFixed(1)} m/s: nobody fishes that; see to the level, and what the gauge does to depth and speed`,
    });
  return good({
    depthMm,
    meanMmS: Math.max(0, meanMmS),
    roughnessMm: mm('length', beat.roughness, ROUGHNESS_MM[beat.bed]),
    bankShare: beat.bankShare ?? USUAL_BANK_SHARE,
    widthMm: beat.width === undefined ? null : mm('length', beat.width, 0),
    clarityMm: beat.clarity === undefined ? null : mm('length', beat.clarity, 0),
    kind: beat.kind ?? 'fresh',
    temperatureC: mm('temperature', beat.temperature, USUAL_C),
  });
}
