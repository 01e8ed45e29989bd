import { findFly, type Landmark, type PhotoFound, type PhotoHints } from '../../core/src/photo/find.ts';
import { partIn } from '../../core/test/build.ts';
import { drawnFly, LANDMARKS, plannedFly, tipsOf } from '../../core/test/drawnPlan.ts';
import { coveredMm2, type DrawnFly, photographed, placed, type Shot, shotOf } from '../../core/test/photographed.ts';
import type { Tried } from '../../core/test/tried.ts';

const plan = plannedFly();

/** The lengths that were drawn, as a specimen names them. */
function drawnLengths(drawn: DrawnFly): Readonly<Record<string, number>> {
  const tips = tipsOf(drawn);
  const { rear } = plan.platform.landmarksMm;
  const ends = Object.fromEntries(
    (['tail', 'wing'] as const).flatMap((id) => {
      const { lengthMm, tipMm } = partIn(plan, id).extent;
      return [
        [id, lengthMm + tips[id] - (tipMm ?? 0)],
        [`${id}.pastBend`, tips[id] - rear],
      ];
    }),
  );
  return { ...ends, 'bead.diameter': drawn.beadMm, 'bead.at': 2.2 };
}

/** From the point straight up to the body it was drawn with, half a millimetre ahead of the point. */
function drawnGap({ shankMm, gapMm, wireMm, legMm, bodyMm }: DrawnFly): number {
  const x = shankMm - legMm - 0.5;
  const share = (x - 4.5) / (shankMm - 0.5 - 4.5);
  return gapMm + wireMm - bodyMm * (1 / 2 + share * (1 / 2.6 - 1 / 2));
}

function offOf(fly: PhotoFound, shot: Shot, name: Landmark): { readonly off: number; readonly spread: number } | null {
  const spot = fly.landmarks[name];
  if (!spot) return null;
  const [x, y] = placed(shot, LANDMARKS[name][0], LANDMARKS[name][1]);
  const perShank = 1 / (shot.pxPerMm * 26);
  return { off: Math.hypot(spot.at[0] - x, spot.at[1] - y) * perShank, spread: spot.spread * perShank };
}

/** Photographs a drawn fly and looks for it. @param drawn null: an empty ground */
export async function tryOne(
  what: string,
  drawn: DrawnFly | null,
  shot: Shot,
  hints: PhotoHints = { mmPerPx: null, by: 'shank' },
): Promise<Tried> {
  const picture = await photographed(drawn, shot);
  const from = performance.now();
  const made = findFly(picture, plan, hints);
  const ms = performance.now() - from;
  if (!made.ok) return { what, ok: false, why: made.faults.map(({ message }) => message).join(' '), ms };
  const fly = made.value;
  const is = drawn ? drawnLengths(drawn) : {};
  const marks = (['eye', 'bend', 'point'] as const).flatMap((name) => {
    const off = offOf(fly, shot, name);
    return off ? [[name, off] as const] : [];
  });
  return {
    what,
    ok: true,
    landmarks: Object.fromEntries(marks),
    lengths: Object.fromEntries(
      fly.lengths.map(({ measure, mm, spreadMm }) => [
        measure,
        { mm, is: is[measure] ?? Number.NaN, spread: spreadMm },
      ]),
    ),
    gap: fly.shape.gap && drawn ? { mm: fly.shape.gap.mm, is: drawnGap(drawn) } : null,
    area: drawn ? fly.areaMm2 / (await coveredMm2(drawn, shot)) : Number.NaN,
    mmPerPx: fly.mmPerPx,
    scaledBy: fly.scaledBy,
    confidence: fly.confidence,
    notes: fly.notes,
    ms,
  };
}

/** A picture by its number. */
export const trySeed = (seed: number): Promise<Tried> => {
  const drawn = drawnFly(seed);
  return tryOne(String(seed), drawn, shotOf(drawn, seed));
};

const OTHER_FLY = `<g transform="translate(0 36)"><path d="M-2 0L26 0A4.4 4.4 0 0 1 26 8.8L19 8.8" fill="none" stroke="#2b2724" stroke-width=".8"/><rect x="4" y="-2" width="40" height="4" fill="#553311"/></g>`;

/** A bank card, askew, with a stripe and a number on it. */
const CARD = `<g transform="translate(-14 22) rotate(9)"><rect width="85.6" height="53.98" rx="3.18" fill="#274b8f"/><rect y="8" width="85.6" height="11" fill="#1c1c1c"/><rect x="10" y="30" width="60" height="4" fill="#e8e6dd"/></g>`;

/** A steel ruler that runs out of the picture, its lines by the millimetre. */
const RULER = `<g transform="translate(-24 24) rotate(-4)"><rect width="150" height="13" fill="#9aa3a8"/>${Array.from({ length: 140 }, (_, i) => `<rect x="${String(i)}" y="0" width=".15" height="${i % 10 === 0 ? '6' : '3'}" fill="#222"/>`).join('')}</g>`;

/** Pictures that are tried for what they are told with, and those of which nothing may be measured falsely. */
export async function tryOdd(): Promise<readonly Tried[]> {
  const drawn = drawnFly(4);
  const shot = shotOf(drawn, 4);
  const level: Shot = { ...shot, turnDeg: 0, mirrored: false };
  const other = { ...drawn, shankMm: 14, gapMm: 11, legMm: 9.9, tailMm: 6, wingPastBendMm: 4 };
  const longer = { ...drawn, shankMm: 37, gapMm: 5.6 };
  const deeper = { ...drawn, shankMm: 22, gapMm: 9.5, legMm: 6.1 };
  const shorter = { ...drawn, tailMm: 12, wingPastBendMm: 5 };
  return [
    await tryOne('ruler', drawn, shot, { mmPerPx: 1 / shot.pxPerMm, by: 'shank' }),
    await tryOne('gap', drawn, { ...shot, tall: 1.03 }, { mmPerPx: null, by: 'gap' }),
    await tryOne('shank', drawn, { ...shot, tall: 1.03 }),
    await tryOne('jaw', drawn, { ...shot, jaw: true }),
    await tryOne('card', drawn, { ...level, width: 1500, height: 1150, pxPerMm: 10, at: [760, 220], extra: CARD }),
    await tryOne('beside a ruler', drawn, { ...level, pxPerMm: 12, at: [760, 300], extra: RULER }),
    await tryOne('none', null, shot),
    await tryOne('two', drawn, { ...level, pxPerMm: 9, at: [700, 230], extra: OTHER_FLY }),
    await tryOne('cut', drawn, { ...level, at: [420, 420] }),
    // A shank half as long again over two thirds of the gap; a gap a third deeper under a shorter shank.
    await tryOne('long shank', longer, shotOf(longer, 1)),
    await tryOne('deep gap', deeper, shotOf(deeper, 2)),
    await tryOne('short hair', shorter, shotOf(shorter, 3)),
    await tryOne('other hook', other, { ...shotOf(other, 1), pxPerMm: 17 }),
    await tryOne('blurred', drawn, { ...shot, blurPx: 18 }),
  ];
}
