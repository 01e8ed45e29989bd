import { type Ellipse, extentOf, type LaidFly, PLAN_UP } from '../model/index.ts';

/** From where to where a laid fly reaches along its hook, mm. */
const reachOf = ({ sections }: LaidFly): { readonly front: number; readonly rear: number } => ({
  front: Math.min(...sections.map(({ fromMm }) => fromMm)),
  rear: Math.max(...sections.map(({ toMm }) => toMm)),
});

/** The plan's whole breadth from above at shares of its length, front first. */
export function planBreadths(laid: LaidFly, shares: readonly number[]) {
  const { front, rear } = reachOf(laid);
  const cut: Ellipse = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  const breadths = shares.map((share) => {
    const x = front + share * (rear - front);
    let [low, high] = [0, 0];
    for (const section of laid.sections) {
      if (x < section.fromMm || x > section.toMm) continue;
      section.at(x, cut);
      const [middle, half] = extentOf(section, cut, PLAN_UP);
      [low, high] = [Math.min(low, middle - half), Math.max(high, middle + half)];
    }
    return high - low;
  });
  return { front, rear, breadths };
}

const STEP_MM = 0.2;
/** A shorter stretch does not tell a part by itself, mm. */
const LEAST_STRETCH_MM = 2;
/** A part that does not stand out further than the next by so much is not told from it, mm. */
const STANDS_OUT_MM = 0.3;

/** By plan, how far each part stands out at x, the furthest first: left and right have to be its own. */
function reachesAt(laid: LaidFly, x: number): { readonly owner: string; readonly reach: number }[] {
  const cut: Ellipse = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  const by = new Map<string, { left: number; right: number }>();
  for (const section of laid.sections) {
    if (x < section.fromMm || x > section.toMm) continue;
    section.at(x, cut);
    const [middle, half] = extentOf(section, cut, PLAN_UP);
    const own = by.get(section.owner) ?? { left: 0, right: 0 };
    by.set(section.owner, { left: Math.max(own.left, middle + half), right: Math.max(own.right, half - middle) });
  }
  return [...by]
    .map(([owner, { left, right }]) => ({ owner, reach: Math.min(left, right) }))
    .sort((one, other) => other.reach - one.reach);
}

/** Where each part alone makes the fly’s breadth as it is planned: the longest such stretch of it, mm. */
export function broadest(
  laid: LaidFly,
): readonly { readonly part: string; readonly fromMm: number; readonly toMm: number }[] {
  const best = new Map<string, { fromMm: number; toMm: number }>();
  let run: { readonly part: string; readonly fromMm: number } | null = null;
  const { front, rear } = reachOf(laid);
  const isPart = (owner: string): boolean =>
    laid.parts.some(({ file }) => file.id === owner && file.construction !== 'ball');
  for (let x = front; x <= rear + STEP_MM; x += STEP_MM) {
    const [first, second] = x <= rear ? reachesAt(laid, x) : [];
    const clear = first && first.reach - (second?.reach ?? 0) > STANDS_OUT_MM && isPart(first.owner);
    const owner = clear ? first.owner : null;
    if (run && owner !== run.part) {
      const known = best.get(run.part);
      if (x - run.fromMm > Math.max(LEAST_STRETCH_MM, known ? known.toMm - known.fromMm : 0))
        best.set(run.part, { fromMm: run.fromMm, toMm: x });
      run = null;
    }
    if (owner !== null && !run) run = { part: owner, fromMm: x };
  }
  return [...best].map(([part, stretch]) => ({ part, ...stretch }));
}
