/** What brings a file from the version it is keyed by to the next. */
export type Migrations = Readonly<Record<number, (file: Record<string, unknown>) => Record<string, unknown>>>;

/** Brings an older file up to date, step by step; the value is returned as it is where no step applies. */
export function migrate(file: Record<string, unknown>, steps: Migrations): Record<string, unknown> {
  let current = file;
  for (;;) {
    const version = current['version'];
    const step = typeof version === 'number' ? steps[version] : undefined;
    if (!step) return current;
    current = step(current);
  }
}
