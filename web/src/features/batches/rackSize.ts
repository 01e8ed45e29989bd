/** How high the rack is, where its foam lies, and how much of a fly stands above and hangs below its bend, px. */
export const RACK = { height: 150, foam: 96, above: 78, below: 50 } as const;
