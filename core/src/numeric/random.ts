/** A seed from a part's name: its random stream is its own, so that changing one part never reshuffles another. */
export function seedOf(name: string): number {
  let hash = 2166136261;
  for (let i = 0; i < name.length; i++) hash = Math.imul(hash ^ name.charCodeAt(i), 16777619);
  return hash >>> 0;
}

/** The k-th number in [0, 1) of item i: fibre i keeps its numbers whatever its length or how many there are. */
export function noise(seed: number, i: number, k: number): number {
  let t = (seed + Math.imul(i + 1, 0x9e3779b1) + Math.imul(k + 1, 0x85ebca6b)) >>> 0;
  t = Math.imul(t ^ (t >>> 15), t | 1);
  t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
}
