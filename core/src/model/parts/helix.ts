/** Length of wire in a helix, mm: N turns of strand w over core c at pitch p: N·√((π(c+w))² + p²). */
export const helixLength = (turns: number, coreMm: number, strandMm: number, pitchMm: number): number =>
  turns * Math.hypot(Math.PI * (coreMm + strandMm), pitchMm);
