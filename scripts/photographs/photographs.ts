/**
 * Renders the photographs of the demo's finished flies: each as its readings say it came out, drawn on a card under uneven light, looked at by
 * the finder as a photograph would be, and marked as simulated. `npm run photographs` writes them into `examples`.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { readDocumentText } from '../../core/src/document/index.ts';
import { flyFigure, paintFly, SvgSurface, viewOf } from '../../core/src/drawing/index.ts';
import { drawersOf, readDrawers } from '../../core/src/drawers/index.ts';
import { inspectFlies } from '../../core/src/inspect/index.ts';
import { boundsOf, type LaidFly } from '../../core/src/model/index.ts';
import { noise, normalOf } from '../../core/src/numeric/index.ts';
import { readFly } from '../../core/src/pattern/index.ts';
import { findFly } from '../../core/src/photo/index.ts';
import { SPECIMEN_KIND, type SpecimenFile } from '../../core/src/records/index.ts';
import { readPicture } from '../../pictures/src/pictures.ts';

const EXAMPLES = join(import.meta.dirname, '../../examples');
const FLIES = [
  { file: 'copper-eel-03', turnDeg: 3, seed: 3 },
  { file: 'copper-eel-07', turnDeg: -5, seed: 7 },
  { file: 'copper-eel-09', turnDeg: 2, seed: 9 },
] as const;
const [WIDTH, HEIGHT] = [1400, 800];
const GRAIN = 2.5;
const FALLOFF = 0.18;

/** What a read came to; a script ends where it did not. */
function got<T>(
  read:
    | { readonly ok: true; readonly value: T }
    | { readonly ok: false; readonly faults: readonly { message: string }[] },
): T {
  if (!read.ok) throw new Error(read.faults.map(({ message }) => message).join('; '));
  return read.value;
}

async function rendered(laid: LaidFly, turnDeg: number, seed: number): Promise<Buffer> {
  const { front, rear, top, bottom } = boundsOf(laid.sections, laid.platform.landmarksMm.rear);
  const scale = (WIDTH * 0.84) / (rear - front);
  const surface = new SvgSurface();
  paintFly(surface, flyFigure(laid), viewOf('profile', 0, 0, scale, 'right'), {
    mode: 'dressed',
    ink: '#1b1b1b',
    sheet: '#ffffff',
    dark: false,
  });
  const [x, y] = [WIDTH / 2 + ((rear + front) / 2) * scale, HEIGHT / 2 + ((top + bottom) / 2) * scale];
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${String(WIDTH)}" height="${String(HEIGHT)}"><rect width="100%" height="100%" fill="#e6e3d8"/><g transform="rotate(${String(turnDeg)} ${String(WIDTH / 2)} ${String(HEIGHT / 2)}) translate(${x.toFixed(2)} ${y.toFixed(2)})">${surface.markup()}</g></svg>`;
  const raw = await sharp(Buffer.from(svg)).removeAlpha().blur(0.8).raw().toBuffer();
  for (let i = 0; i < raw.length; i++) {
    const pixel = Math.floor(i / 3);
    const [u, v] = [(pixel % WIDTH) / WIDTH, Math.floor(pixel / WIDTH) / HEIGHT];
    const light = 1 - FALLOFF * (0.8 * u + 0.2 * v * v);
    raw[i] = Math.max(
      0,
      Math.min(255, Math.round((raw[i] as number) * light + GRAIN * normalOf(seed, i, 0) + noise(seed, i, 1))),
    );
  }
  return sharp(raw, { raw: { width: WIDTH, height: HEIGHT, channels: 3 } })
    .jpeg({ quality: 78 })
    .toBuffer();
}

const drawers = drawersOf(
  got(readDrawers(JSON.parse(readFileSync(join(EXAMPLES, 'drawers.json'), 'utf8')) as unknown)),
);
const tenth = (value: number): number => Math.round(value * 10) / 10;

for (const { file, turnDeg, seed } of FLIES) {
  const path = join(EXAMPLES, `${file}.specimen.json`);
  const specimen = got(readDocumentText(SPECIMEN_KIND, readFileSync(path, 'utf8')));
  const pattern = got(readFly(readFileSync(join(EXAMPLES, specimen.fly), 'utf8')));
  const { plan, tied } = got(inspectFlies(pattern, [specimen], drawers));
  const [own] = tied;
  if (!own) throw new Error(`${file}: nothing was tied`);
  const bytes = await rendered(own.laid, turnDeg, seed);
  writeFileSync(join(EXAMPLES, `${file}.jpg`), bytes);
  const { landmarks, contour, confidence, notes } = got(
    findFly(got(await readPicture(bytes)), plan.laid, { mmPerPx: null, by: 'shank' }),
  );
  const { eye, bend, point } = landmarks;
  if (!eye || !bend) throw new Error(`${file}: its landmarks are not found: ${notes.join('; ')}`);
  const spot = ([x, y]: readonly [number, number]): [number, number] => [tenth(x), tenth(y)];
  const photo: NonNullable<SpecimenFile['photos']>[number] = {
    file: `${file}.jpg`,
    view: 'side',
    landmarks: { eye: spot(eye.at), bend: spot(bend.at), ...(point ? { point: spot(point.at) } : {}) },
    contour: contour.map(spot),
    simulated: true,
  };
  const { note, ...rest } = specimen;
  const next: SpecimenFile = { ...rest, photos: [photo], ...(note === undefined ? {} : { note }) };
  const text = JSON.stringify(next, (_, value: unknown) => value, 2).replace(
    /\[\n\s+(-?[\d.]+),\n\s+(-?[\d.]+)\n\s+\]/g,
    '[$1, $2]',
  );
  writeFileSync(
    path,
    text.replace(
      /"contour": \[([^"]*?)\n {6}\]/s,
      (_, inner: string) => `"contour": [${inner.replace(/\s*\n\s*/g, ' ')} ]`,
    ),
  );
  process.stdout.write(
    `${file}: ${String(bytes.length)} bytes, ${String(contour.length)} points, explained ${confidence.toFixed(2)}\n`,
  );
}
