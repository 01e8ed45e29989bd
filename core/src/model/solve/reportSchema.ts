import { z } from 'zod';

const vec3 = z.tuple([z.number(), z.number(), z.number()]);
const pair = z.tuple([z.number(), z.number()]);
const sinkClass = z.enum(['hang', 'slow', 'medium', 'fast', 'very fast']);
const ride = z.enum(['point-down', 'point-up', 'on-its-side', 'undecided']);

/** The figures of a solved fly under the keys promised to scripts. Keys whose computation is not built are absent. */
export const reportSchema = z.object({
  name: z.string(),
  platform: z.object({
    mass_mg: z.number(),
    volume_mm3: z.number(),
    centroid_mm: vec3,
    shank_mm: z.number(),
    gap_mm: z.number().nullable(),
    wire_mm: z.number().nullable(),
    effectiveGap_mm: z.number().nullable(),
    notes: z.array(z.string()),
    towPoint_mm: vec3,
    landmarks_mm: z.object({
      eye: z.number(),
      head: z.number(),
      mid: z.number(),
      point: z.number().nullable(),
      barb: z.number().nullable(),
      bend: z.number(),
      rear: z.number(),
    }),
  }),
  parts: z.array(
    z.object({
      id: z.string(),
      start_mm: z.number(),
      end_mm: z.number(),
      tip_mm: z.number().nullable(),
      length_mm: z.number(),
      band_mm: pair.nullable(),
      cut_mm: z.number().nullable(),
      turns: z.number().nullable(),
      mass_mg: z.number(),
      volume_mm3: z.number(),
      submerged_mg: z.number(),
      centroid_mm: vec3,
      material: z.string(),
      figuredAs: z.string(),
      notes: z.array(z.string()),
    }),
  ),
  thread: z.object({ mass_mg: z.number() }),
  weight: z.object({ dry_mg: z.number(), casting_mg: z.number(), submerged_mg: z.number() }),
  centres_mm: z.object({
    gravity: vec3,
    buoyancy: vec3,
    submergedWeight: vec3.nullable(),
    silhouette: z.object({ side: pair, plan: pair }),
  }),
  silhouette_mm2: z.object({ side: z.number(), plan: z.number(), front: z.number() }),
  keel: z.object({
    tight: z.object({ moment_mg_mm: z.number(), lateral_mg_mm: z.number(), ride, heel_deg: z.number().nullable() }),
    slack: z.object({ ride, heel_deg: z.number().nullable(), others: z.array(z.number()) }),
    holdsTo_mm_s: z.number().nullable(),
    /** Over soft lengths five in a hundred shorter and longer; null where the figure is steady. */
    holdsToRange_mm_s: z.object({ least: z.number().nullable(), most: z.number().nullable() }).nullable(),
    heelAt100_deg: z.number().nullable(),
    tipping: z
      .object({
        part: z.string(),
        mass_mg: z.number(),
        ratio: z.number(),
        /** Between which it lies until a pair is weighed. */
        ratioRange: pair.nullable(),
      })
      .nullable(),
    righting: z.array(pair),
  }),
  trim: z.object({
    lever: z.number().nullable(),
    noseDown_deg: z.number().nullable(),
    verdict: z.enum(['nose-first', 'level', 'tail-first']).nullable(),
    droop_deg: z.object({ '100': z.number(), '300': z.number(), '600': z.number() }),
  }),
  sink: z
    .object({
      terminal_mm_s: z.number(),
      level_mm_s: z.number(),
      noseFirst_mm_s: z.number(),
      timeTo1m_s: z.number().nullable(),
      class: sinkClass,
    })
    .nullable(),
  /** The same with eyes and beads that nobody weighed as light as such are sold; null where all is weighed. */
  lightest: z
    .object({
      parts: z.array(z.string()),
      ride,
      slackRide: ride,
      terminal_mm_s: z.number().nullable(),
      class: sinkClass.nullable(),
    })
    .nullable(),
});
export type FlyReport = z.infer<typeof reportSchema>;
