import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { cutCells } from '../src/model/geometry/cells.ts';
import { project, sumSilhouette } from '../src/model/geometry/silhouette.ts';
import { layFly } from '../src/model/solve/layFly.ts';
import { readFly } from '../src/pattern/read.ts';
import type { Section } from '../src/model/platform/section.ts';

const ACROSS = 500;
const ALONG = 300;

/**
 * The silhouette by dots instead of stations: at every dot of a grid the opacities of the sections that cover it, each a plain ellipse of
 * its own cut there, are laid over one another. It shares nothing with the stations but the sections themselves.
 */
function dotted(sections: readonly Section[], view: 'side' | 'plan', rollDeg: number): number {
  const roll = (rollDeg * Math.PI) / 180;
  const [front, rear] = [Math.min(...sections.map((s) => s.fromMm)), Math.max(...sections.map((s) => s.toMm))];
  const [dx, reach] = [(rear - front) / ALONG, 40];
  const dy = (2 * reach) / ACROSS;
  const cut = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 0 };
  let area = 0;
  for (let i = 0; i < ALONG; i++) {
    const x = front + (i + 0.5) * dx;
    const clear = new Float64Array(ACROSS).fill(1);
    for (const section of sections) {
      if (x < section.fromMm || x > section.toMm) continue;
      section.at(x, cut);
      // The side sees what is up after the roll, the plan what is across; an ellipse turned by t is seen as one rolled by t.
      const look = view === 'side' ? roll + section.turn : roll + section.turn + Math.PI / 2;
      const middle =
        view === 'side'
          ? cut.y * Math.sin(roll) + cut.z * Math.cos(roll)
          : cut.y * Math.cos(roll) - cut.z * Math.sin(roll);
      const half = Math.hypot(cut.semiY * Math.sin(look), cut.semiZ * Math.cos(look));
      for (let j = 0; j < ACROSS; j++)
        if (Math.abs(-reach + (j + 0.5) * dy - middle) <= half) clear[j] = (clear[j] ?? 1) * (1 - cut.opacity);
    }
    area += clear.reduce((sum, each) => sum + 1 - each, 0) * dx * dy;
  }
  return area;
}

const fly = (name: string): readonly Section[] => {
  const read = readFly(readFileSync(join(import.meta.dirname, `../../examples/${name}.fly.json`), 'utf8'));
  const laid = read.ok ? layFly(read.value) : read;
  if (!laid.ok) throw new Error(JSON.stringify(laid.faults));
  return laid.value.sections;
};

test.each([
  ['rowan-ember', 'side', 0],
  ['rowan-ember', 'plan', 37],
  ['copper-eel', 'side', 121],
  ['sedge-warden', 'side', 0],
  ['sedge-warden', 'plan', 0],
  ['tin-sculpin', 'side', -64],
] as const)('%s, %s, rolled %i°: stations come to what dots do, within 1 %%', (name, view, deg) => {
  const sections = fly(name);
  const table = cutCells(sections);
  const stations = sumSilhouette(table, project(table, view, (deg * Math.PI) / 180))?.areaMm2 ?? 0;
  const dots = dotted(sections, view, deg);
  expect(Math.abs(stations / dots - 1)).toBeLessThan(0.01);
});
