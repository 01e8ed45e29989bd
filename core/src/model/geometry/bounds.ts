import type { Ellipse, Section } from '../platform/section.ts';

/** What a fly takes up, mm: along x, up and down from the axis, and to either side. */
export interface Bounds {
  readonly front: number;
  readonly rear: number;
  readonly top: number;
  readonly bottom: number;
  readonly aside: number;
}

const STEPS = 10;

/** The box round every section. @param rearMm the hook's rearmost reach */
export const boundsOf = (sections: readonly Section[], rearMm: number): Bounds =>
  grown({ front: 0, rear: rearMm, top: 1, bottom: -1, aside: 1 }, sections);

/** How far some sections alone reach, mm; null where there are none. */
export function reachOf(sections: readonly Section[]): Bounds | null {
  const none = { front: Infinity, rear: -Infinity, top: -Infinity, bottom: Infinity, aside: 0 };
  return sections.length === 0 ? null : grown(none, sections);
}

/** Bounds that take in some sections too. */
function grown(least: Bounds, sections: readonly Section[]): Bounds {
  const cut: Ellipse = { y: 0, z: 0, semiY: 0, semiZ: 0, opacity: 1 };
  let { front, rear, top, bottom, aside } = least;
  for (const section of sections) {
    front = Math.min(front, section.fromMm);
    rear = Math.max(rear, section.toMm);
    for (let i = 0; i <= STEPS; i++) {
      section.at(section.fromMm + ((section.toMm - section.fromMm) * i) / STEPS, cut);
      const turned = section.turn === 0 ? null : Math.max(cut.semiY, cut.semiZ);
      top = Math.max(top, cut.z + (turned ?? cut.semiZ));
      bottom = Math.min(bottom, cut.z - (turned ?? cut.semiZ));
      aside = Math.max(aside, Math.abs(cut.y) + (turned ?? cut.semiY));
    }
  }
  return { front, rear, top, bottom, aside };
}
