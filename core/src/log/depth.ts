import type { LaidFly } from '../model/index.ts';
import { type BeatFile, beatAt } from '../records/index.ts';
import { ended, readAsked, runWater, type Tackle } from '../water/index.ts';
import type { Fished } from './fished.ts';

/** How deep a fly was fished, mm, as Water has it by its line, manner and count at the level of the day; null where that is not to be had. */
export function depthFished(
  laid: LaidFly,
  { rod, levelMm }: Pick<Fished, 'rod' | 'levelMm'>,
  beat: BeatFile,
  tackle: Tackle,
): number | null {
  const { line, leader, manner, count } = rod;
  if (line === undefined) return null;
  const asked = readAsked(
    {
      line,
      ...(leader === undefined ? {} : { leader }),
      ...(manner === undefined ? {} : { manner }),
      ...(count === undefined ? {} : { count }),
    },
    laid.file,
    tackle,
  );
  const at = beatAt(beat, levelMm);
  if (!asked.ok || !at.ok) return null;
  const run = ended(runWater({ ...asked.value, laid, beat: at.value }, { coarse: true }));
  return run.ok ? run.value.told.depth.lowestMm : null;
}
