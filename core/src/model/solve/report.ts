import { droopAt } from '../balance/droop.ts';
import { timeTo } from '../balance/fromRest.ts';
import { fallOf, SOAKED_ALONE } from './fall.ts';
import { holdRange } from './holdRange.ts';
import { lightestOf } from './lightest.ts';
import { platformTotals, type LaidFly, type LaidPart } from './layFly.ts';
import { cutLength } from './cutLength.ts';
import type { FlyReport } from './reportSchema.ts';
import { balanceModel } from './balanceModel.ts';
import { type SolvedFly } from './solveFly.ts';

const METRE = 1000;

const triple = (v: readonly [number, number, number]): [number, number, number] => [v[0], v[1], v[2]];

function partReport(part: LaidPart, laid: LaidFly): FlyReport['parts'][number] {
  const { extent, built } = part;
  return {
    id: part.file.id,
    start_mm: extent.startMm,
    end_mm: extent.endMm,
    tip_mm: extent.tipMm,
    length_mm: extent.lengthMm,
    band_mm: extent.bandMm ? [extent.bandMm[0], extent.bandMm[1]] : null,
    cut_mm: cutLength(part, laid),
    turns: built.turns,
    mass_mg: part.massMg,
    volume_mm3: part.volumeMm3,
    submerged_mg: part.submergedMg,
    centroid_mm: triple(part.centroid),
    material: built.material,
    figuredAs: built.figuredAs,
    notes: [...built.notes],
  };
}

/** The same fly with what nobody weighed at its lightest. */
function lightestReport(laid: LaidFly): FlyReport['lightest'] {
  const lightest = lightestOf(laid);
  return (
    lightest && {
      parts: [...lightest.parts],
      ride: lightest.ride,
      slackRide: lightest.slackRide,
      terminal_mm_s: lightest.terminal,
      class: lightest.class,
    }
  );
}

/** Writes a solved fly under the promised keys. Lengths mm, masses mg, moments mg·mm, angles degrees, speeds mm/s. */
// oxlint-disable-next-line max-lines-per-function -- one literal: the promised keys in their order
export function reportFly({ laid, balance, silhouette }: SolvedFly): FlyReport {
  const { platform } = laid;
  const bare = platformTotals(platform);
  const { tight, slack, hold, trim, sink } = balance;
  const droop = (pullMmS: number): number => droopAt(balanceModel(laid), tight.heelDeg ?? 0, pullMmS);
  return {
    name: laid.file.name,
    platform: {
      mass_mg: bare.massMg,
      volume_mm3: bare.volumeMm3,
      centroid_mm: triple(bare.gravity),
      shank_mm: platform.shankMm,
      gap_mm: platform.gapMm,
      wire_mm: platform.wireMm,
      effectiveGap_mm: laid.effectiveGapMm,
      notes: [...platform.notes],
      towPoint_mm: triple(platform.towPoint),
      landmarks_mm: { ...platform.landmarksMm, head: laid.headMm },
    },
    parts: laid.parts.map((part) => partReport(part, laid)),
    thread: { mass_mg: laid.thread.lumps.reduce((sum, lump) => sum + lump.massMg, 0) },
    weight: { dry_mg: laid.dryMg, casting_mg: laid.castingMg, submerged_mg: laid.submergedMg },
    centres_mm: {
      gravity: triple(laid.gravity),
      buoyancy: triple(laid.buoyancy),
      submergedWeight: laid.submergedCentre ? triple(laid.submergedCentre) : null,
      silhouette: { side: [...silhouette.sideCentre], plan: [...silhouette.planCentre] },
    },
    silhouette_mm2: { side: silhouette.sideMm2, plan: silhouette.planMm2, front: silhouette.frontMm2 },
    keel: {
      tight: {
        moment_mg_mm: tight.momentMgMm,
        lateral_mg_mm: tight.lateralMgMm,
        ride: tight.ride,
        heel_deg: tight.heelDeg,
      },
      slack: { ride: slack.ride, heel_deg: slack.heelDeg, others: [...slack.others] },
      holdsTo_mm_s: hold.holdsTo,
      holdsToRange_mm_s: holdRange(laid),
      heelAt100_deg: hold.heelAt100Deg,
      tipping: laid.tipping
        ? {
            part: laid.tipping.part,
            mass_mg: laid.tipping.massMg,
            ratio: laid.tipping.ratio,
            ratioRange: laid.tipping.range && [laid.tipping.range[0], laid.tipping.range[1]],
          }
        : null,
      righting: tight.righting.map(([heel, moment]) => [heel, moment]),
    },
    trim: {
      lever: trim.lever,
      noseDown_deg: trim.noseDownDeg,
      verdict: trim.verdict,
      droop_deg: { '100': droop(100), '300': droop(300), '600': droop(600) },
    },
    sink: sink
      ? {
          terminal_mm_s: sink.terminal,
          level_mm_s: sink.level,
          noseFirst_mm_s: sink.noseFirst,
          timeTo1m_s: timeTo(fallOf(laid, SOAKED_ALONE, 1.01 * METRE), METRE),
          class: sink.class,
        }
      : null,
    lightest: lightestReport(laid),
  };
}
