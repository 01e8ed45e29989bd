import { Chain, segmentsOf, type Place } from '../../core/src/water/chain.ts';
import { Current } from '../../core/src/water/current.ts';
import { pieceOfDensity } from '../../core/src/water/line.ts';
import { water } from '../../core/src/model/balance/water.ts';
const W = water();
const G = 9806.65;
const stretch = (meanMmS: number, depthMm = 50000) => new Current({ depthMm, meanMmS, roughnessMm: 0.0001, bankShare: 1, widthMm: null });
const NOFLY = { massMg: 1e-3, sunkMg: 0, dryMg: 0, fadesMm: 2, dragPerSpeed: () => 0, reachMm: 0, friction: 0.6 };
// falling flat, free both ends
{
  const segs = segmentsOf([pieceOfDensity('line', 4000, 1, 1.35, W)]);
  const places: Place[] = Array.from({ length: segs.length + 1 }, (_, i) => [i * segs[0]!.lengthMm, 0, -1000]);
  const c = new Chain(segs, places, { current: stretch(0), water: W, fly: () => NOFLY, float: NOFLY });
  for (let k = 0; k < 200; k++) c.advance(0.02, null);
  console.log('flat', -c.speed[3 * 4 + 2]!, 'of 56.35');
}
// catenary
{
  const segs = segmentsOf([pieceOfDensity('line', 4000, 1, 1.35, W)]);
  const n = segs.length;
  const HELD = { ...NOFLY, massMg: 1e9 };
  const places: Place[] = Array.from({ length: n + 1 }, (_, i) => [3000 * i / n, 0, -1000 - 1300*Math.sin(Math.PI*i/n)]);
  const c = new Chain(segs, places, { current: stretch(0), water: W, fly: () => HELD, float: null });
  for (let k = 0; k < 3000; k++) c.advance(0.02, [0,0,-1000]);
  let low = 0; for (let i = 0; i <= n; i++) low = Math.min(low, c.at[3*i+2]!);
  console.log('sag', -low - 1000, 'of 1177; lowest', Math.min(...c.pull.slice(0,n))/G, 'of 305', 'stretch', c.stretched);
}
// hang
{
  for (const dt of [0.04, 0.02, 0.01]) for (const finer of [1, 2, 3]) {
  const segs = segmentsOf([pieceOfDensity('leader', 2700, 0.25, 1.14, W)], finer);
  const n = segs.length;
  const fly = { massMg: 1000, sunkMg: 600, dryMg: 900, fadesMm: 2, dragPerSpeed: (v: number) => 0.5*W.density*60*v, reachMm: 0, friction: .6 };
  const places: Place[] = Array.from({ length: n + 1 }, (_, i) => [2700 * i / n, 0, 0]);
  const c = new Chain(segs, places, { current: new Current({depthMm:50000, meanMmS:400, roughnessMm:1e-12, bankShare:1, widthMm:null}), water: W, fly: () => fly, float: null });
  const u = c['current' as keyof typeof c] as unknown as Current;
  let worst=0;
  for (let k = 0; k < 20/dt; k++) {c.advance(dt, [0,0,0]); worst=Math.max(worst,c.stretched);}
  console.log('hang', dt, finer, -c.at[3*n+2]!, 'of 538', c.flyPullMg, 'u', u.at(-300,0), "worst", worst, "steps", c.steps);
  }
}
