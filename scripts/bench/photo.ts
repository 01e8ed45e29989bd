import sharp from 'sharp';
import { findFly } from '../../core/src/photo/find.ts';
import { drawnFly, plannedFly } from '../../core/test/drawnPlan.ts';
import { photographed, shotOf } from '../../core/test/photographed.ts';
import { tell } from './times.ts';

/** A picture of twelve megapixels: a drawn one, enlarged. */
const [WIDTH, HEIGHT] = [4000, 3000];
const RUNS = 7;
const ASKED_MS = 2500;

const drawn = drawnFly(2);
const small = await photographed(drawn, shotOf(drawn, 2, 1000, 750));
const data = await sharp(Buffer.from(small.data), { raw: { width: small.width, height: small.height, channels: 4 } })
  .resize(WIDTH, HEIGHT)
  .raw()
  .toBuffer();
const picture = { width: WIDTH, height: HEIGHT, data };
const plan = plannedFly();

const times = Array.from({ length: RUNS + 1 }, () => {
  const from = performance.now();
  const found = findFly(picture, plan, { mmPerPx: null, by: 'shank' });
  if (!found.ok) throw new Error('the fly was not found');
  return performance.now() - from;
}).slice(1);
tell('a fly found in a picture of 12 megapixels', times, ASKED_MS);
const megabytes = process.resourceUsage().maxRSS / 1024;
process.stdout.write(`  most memory of that process, the picture's 48 MB among it: ${megabytes.toFixed(0)} MB\n`);
