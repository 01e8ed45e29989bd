import sharp from 'sharp';
import { noise, normalOf } from '../src/numeric/index.ts';
import type { Picture } from '../src/photo/index.ts';

/**
 * A fly as it is drawn for the finder's tests: wire by its own formula, hair strand by strand, nothing of it by the app's model or drawing.
 * mm, x aft from the rear of the eye, z up.
 */
export interface DrawnFly {
  readonly shankMm: number;
  readonly gapMm: number;
  readonly wireMm: number;
  /** Of the point's leg, from the bend forward. */
  readonly legMm: number;
  readonly ringMm: number;
  /** Behind the last binding. */
  readonly tailMm: number;
  /** Behind the end of the shank. */
  readonly wingPastBendMm: number;
  readonly beadMm: number;
  readonly bodyMm: number;
}

/** How it is photographed. */
export interface Shot {
  readonly width: number;
  readonly height: number;
  /** Where x = 0 of the fly lies, px. */
  readonly at: readonly [number, number];
  /** Clockwise, degrees. */
  readonly turnDeg: number;
  readonly pxPerMm: number;
  readonly mirrored: boolean;
  /** Height over length as a plain tilt leaves it. */
  readonly tall: number;
  readonly ground: string;
  /** How much darker it is from one corner to the other, share. */
  readonly falloff: number;
  /** Spread of the grain, bytes. */
  readonly grain: number;
  readonly blurPx: number;
  readonly jpeg: number;
  readonly seed: number;
  /** A vise's jaw over the bend. */
  readonly jaw?: boolean;
  /** More in the picture, as SVG in mm, y down. */
  readonly extra?: string;
}

/** Where a place of the fly lies in the picture. */
export function placed({ at, turnDeg, pxPerMm, mirrored, tall }: Shot, x: number, z: number): [number, number] {
  const turn = (turnDeg * Math.PI) / 180;
  const [p, q] = [(mirrored ? 1 : -1) * x * pxPerMm, -z * tall * pxPerMm];
  return [at[0] + p * Math.cos(turn) - q * Math.sin(turn), at[1] + p * Math.sin(turn) + q * Math.cos(turn)];
}

const f = (value: number): string => value.toFixed(3);

/** Strands that run aft from one place to a common reach, a little apart from one another. */
function hair(
  seed: number,
  count: number,
  from: readonly [number, number],
  to: readonly [number, number],
  breadth: number,
  colour: string,
) {
  return Array.from({ length: count }, (_, i) => {
    const aside = (noise(seed, i, 0) - 0.5) * breadth;
    // Stacked hair: tips within a third of a millimetre, the first of them the longest.
    const short = i === 0 ? 0 : 0.33 * noise(seed, i, 1);
    const [x, z] = [to[0] - short, to[1] + aside];
    const mid = (from[0] + x) / 2;
    return `<path d="M${f(from[0])} ${f(-from[1] - aside * 0.25)}Q${f(mid)} ${f(-(from[1] + z) / 2 - aside * 0.6)} ${f(x)} ${f(-z)}" fill="none" stroke="${colour}" stroke-width="0.13" stroke-linecap="butt"/>`;
  }).join('');
}

function markupOf(fly: DrawnFly, seed: number): string {
  const { shankMm: s, gapMm, wireMm: w, legMm, ringMm, tailMm, wingPastBendMm, beadMm, bodyMm } = fly;
  const high = gapMm + w;
  const wire = 'fill="none" stroke="#2b2724" stroke-linejoin="round"';
  const leg = s - legMm;
  // The point narrows over its last third.
  const spear = leg + legMm / 3;
  return [
    hair(seed, 90, [s - 0.5, w / 2], [s + tailMm, 2.4], 3.4, '#53402c'),
    hair(seed + 1, 80, [4.5, w / 2 + 1.5], [s + wingPastBendMm, 9.5], 2.6, '#3a4450'),
    `<path d="M${f(-ringMm)} 0L0 0L${f(s)} 0A${f(high / 2)} ${f(high / 2)} 0 0 1 ${f(s)} ${f(high)}L${f(spear)} ${f(high)}" ${wire} stroke-width="${f(w)}"/>`,
    `<path d="M${f(spear)} ${f(high - w / 2)}L${f(leg)} ${f(high)}L${f(spear)} ${f(high + w / 2)}Z" fill="#2b2724"/>`,
    `<path d="M4.5 ${f(-bodyMm / 2)}L${f(s - 0.5)} ${f(-bodyMm / 2.6)}L${f(s - 0.5)} ${f(bodyMm / 2.6)}L4.5 ${f(bodyMm / 2)}Z" fill="#6d3b22"/>`,
    `<circle cx="${f(2.2)}" cy="0" r="${f(beadMm / 2)}" fill="#8a6a1e"/>`,
  ].join('');
}

const svgOf = (inner: string, shot: Shot, ground: string | null): Buffer => {
  const { width, height, at, turnDeg, pxPerMm, mirrored, tall } = shot;
  return Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${String(width)}" height="${String(height)}">${ground === null ? '' : `<rect width="100%" height="100%" fill="${ground}"/>`}<g transform="translate(${f(at[0] + 0.5)} ${f(at[1] + 0.5)}) rotate(${f(turnDeg)}) scale(${f((mirrored ? 1 : -1) * pxPerMm)} ${f(pxPerMm * tall)})">${inner}</g></svg>`,
  );
};

/** A steel jaw from below, narrowing to the bend. */
const jawOf = ({ shankMm, gapMm }: DrawnFly): string =>
  `<path d="M${f(shankMm + gapMm * 0.35)} ${f(gapMm * 0.55)}L${f(shankMm + gapMm * 0.65)} ${f(gapMm * 0.45)}L${f(shankMm + 16)} ${f(gapMm + 26)}L${f(shankMm + 16)} 300L${f(shankMm + 4)} 300L${f(shankMm + 4)} ${f(gapMm + 26)}Z" fill="#5a6066"/>`;

/** A photograph of a drawn fly, through a lens and a sensor of their own kind. */
export async function photographed(fly: DrawnFly | null, shot: Shot): Promise<Picture> {
  const { width, height, falloff, blurPx, grain, seed } = shot;
  const inner = `${fly ? markupOf(fly, seed) : ''}${fly && shot.jaw ? jawOf(fly) : ''}${shot.extra ?? ''}`;
  const drawn = sharp(svgOf(inner, shot, shot.ground)).removeAlpha();
  const raw = await (blurPx > 0.3 ? drawn.blur(blurPx) : drawn).raw().toBuffer();
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const light = 1 - falloff * (0.7 * (x / width) + 0.3 * (y / height) ** 2);
      const i = 3 * (y * width + x);
      for (let c = 0; c < 3; c++) {
        const stray = grain * normalOf(seed, i, c);
        raw[i + c] = Math.max(0, Math.min(255, Math.round((raw[i + c] as number) * light + stray)));
      }
    }
  const jpeg = await sharp(raw, { raw: { width, height, channels: 3 } })
    .jpeg({ quality: shot.jpeg })
    .toBuffer();
  const data = await sharp(jpeg).ensureAlpha().raw().toBuffer();
  return { width, height, data };
}

/** What of a picture a drawn fly covers, mm²: at least half of a pixel, seen three times as large, without ground, light or lens. */
export async function coveredMm2(fly: DrawnFly, shot: Shot): Promise<number> {
  const by = 3;
  const { width, height, at, pxPerMm, tall, seed } = shot;
  const large: Shot = {
    ...shot,
    width: width * by,
    height: height * by,
    at: [at[0] * by, at[1] * by],
    pxPerMm: pxPerMm * by,
  };
  const alpha = await sharp(svgOf(markupOf(fly, seed), large, null))
    .extractChannel(3)
    .raw()
    .toBuffer();
  return alpha.reduce((sum, value) => sum + (value >= 128 ? 1 : 0), 0) / ((pxPerMm * by) ** 2 * tall);
}

const GROUNDS = ['#ecece8', '#8f9290', '#79a87e', '#d9d4c6'] as const;

/** A shot of a fly by its number: turn, scale, side, ground, light, grain and blur are all its own. */
export function shotOf(fly: DrawnFly, seed: number, width = 1100, height = 825): Shot {
  const of = (k: number): number => noise(4711, seed, k);
  const length = fly.shankMm + Math.max(fly.tailMm, fly.wingPastBendMm) + fly.ringMm;
  const turnDeg = seed % 4 === 3 ? 360 * of(0) : 50 * (of(0) - 0.5);
  const reach = Math.max(
    Math.abs(Math.cos((turnDeg * Math.PI) / 180)),
    Math.abs(Math.sin((turnDeg * Math.PI) / 180)) * (width / height),
  );
  const base: Shot = {
    width,
    height,
    at: [0, 0],
    turnDeg,
    pxPerMm: ((0.6 + 0.25 * of(1)) * width) / length / Math.max(0.75, reach),
    mirrored: of(2) < 0.4,
    tall: 1 + 0.04 * (of(3) - 0.5),
    ground: GROUNDS[seed % GROUNDS.length] ?? GROUNDS[0],
    falloff: 0.35 * of(4),
    grain: 1.5 + 4 * of(5),
    blurPx: 0.5 + 1.3 * of(6),
    jpeg: Math.round(65 + 30 * of(7)),
    seed,
  };
  const [x, y] = placed(base, (length - fly.ringMm) / 2, 0);
  return { ...base, at: [width / 2 - x, height / 2 - y] };
}
