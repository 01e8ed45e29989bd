import type { LaidFly } from '../src/model/index.ts';
import { body, laid, tail } from './build.ts';
import type { DrawnFly } from './photographed.ts';

/** The plan of the fly that is drawn for the finder: its hook as it is drawn, its hair meant to be longer or shorter than it came out. */
export const plannedFly = (): LaidFly =>
  laid(
    [
      {
        id: 'bead',
        role: 'bead',
        construction: 'ball',
        shape: 'bead',
        material: 'brass',
        diameter: '4 mm',
        at: 'eye + 2.2 mm',
      },
      tail({ material: 'bucktail', length: '20 mm' }),
      body({}),
      {
        id: 'wing',
        role: 'wing',
        construction: 'bundle',
        material: 'bucktail',
        pinch: '2 mm',
        at: 'eye + 4.5 mm',
        length: '32 mm',
        side: 'top',
      },
    ],
    { platform: { kind: 'single', shank: '26 mm', gap: '8 mm', wire: '0.8 mm' } },
  );

/** It as it came out, by its number: tail and wing are never quite as long twice. */
export const drawnFly = (seed: number): DrawnFly => ({
  shankMm: 26,
  gapMm: 8,
  wireMm: 0.8,
  legMm: 7.2,
  ringMm: 2.48,
  tailMm: 17.6 + 0.5 * (seed % 5),
  wingPastBendMm: 10.4 + 0.6 * (seed % 4),
  beadMm: 4,
  bodyMm: 3.2,
});

/** Where its landmarks are, mm. */
export const LANDMARKS = { eye: [0, 0], bend: [26, 0], point: [18.8, -8.8] } as const;

/** Where the tips of its free parts are, mm behind the eye. */
export const tipsOf = (fly: DrawnFly) => ({ tail: fly.shankMm + fly.tailMm, wing: fly.shankMm + fly.wingPastBendMm });
