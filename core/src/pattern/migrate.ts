/** One step from a version to the next. Version 1 is the first, so there is none yet; a step is added here, keyed by the version it starts from. */
const STEPS: Readonly<Record<number, (file: Record<string, unknown>) => Record<string, unknown>>> = {};

/** Brings an older pattern file up to date, step by step; the value is returned as it is where no step applies. */
export function migrate(file: Record<string, unknown>, steps = STEPS): Record<string, unknown> {
  let current = file;
  for (;;) {
    const version = current['version'];
    const step = typeof version === 'number' ? steps[version] : undefined;
    if (!step) return current;
    current = step(current);
  }
}
