import { TECHNIQUES, type Technique } from '../data/index.ts';
import type { LaidFly, LaidPart } from '../model/index.ts';
import { eyesWithin, isPalmer, isRib, overlapMm } from './constraints.ts';
import type { Move } from './order.ts';
import type { Step } from './step.ts';
import { isOnCore } from './words/told.ts';

/** Which techniques a construction takes, in the order they are needed. */
function ofPart({ part, does }: Move, laid: LaidFly): readonly string[] {
  const { file, built } = part;
  const [form] = built.forms;
  switch (file.construction) {
    case 'ball':
      return file.shape === 'plastic' || file.shape === 'stalked'
        ? [...(built.material.includes('nylon') ? ['melt'] : []), 'eight', 'square']
        : file.shape === 'dumbbell' || file.shape === 'bead-chain'
          ? ['eight', 'square']
          : [];
    case 'wrap':
      return woundKeys(part, laid, does);
    case 'bundle': {
      const manner = form?.kind === 'bundle' ? form.manner : 'hair';
      if (manner === 'plume') return ['strip-plume', 'pinch'];
      if (manner === 'tubing') return ['core', 'soft', 'tease'];
      if (manner !== 'hair') return ['soft'];
      return ['underfur', file.stacked === true ? 'stack' : 'hand-stack', 'pinch', 'grip'];
    }
    case 'feather':
      return file.form === 'slips'
        ? ['pair', 'marry', 'soft']
        : file.form === 'single'
          ? ['curl', 'fold-stem']
          : ['pair', 'fold-stem'];
    case 'strip':
      return does === 'over' ? ['soft'] : ['hide', 'part'];
    case 'hackle':
      return does === 'catch' ? [] : file.style === 'throat' ? ['strip-side', 'stroke'] : ['stroke'];
    case 'spun':
      return file.tip === undefined ? ['underfur', 'spin'] : ['underfur', 'hand-stack', 'spin', 'thumb'];
    case 'sheet':
      return does === 'over' ? ['fold'] : ['soft'];
    case 'coat':
      return [];
  }
}

/** Of wire, ribs and bodies. */
function woundKeys(part: LaidPart, laid: LaidFly, does: Move['does']): readonly string[] {
  const { file, built } = part;
  if (file.construction !== 'wrap' || does === 'catch') return [];
  if (file.role === 'underbody') return ['wire', 'ramp'];
  if (isRib(part)) {
    const through = laid.parts.some((other) => isPalmer(other) && overlapMm(other, part) > 0.5);
    const binds = laid.parts.some(
      (other) => 'boundBy' in other.file && other.file.boundBy?.toLowerCase() === file.id.toLowerCase(),
    );
    return [...(binds ? ['part'] : []), ...(through && file.over !== 'under' ? ['wiggle'] : [])];
  }
  const past = file.crossed === true && eyesWithin(part, laid) !== null ? ['cross-eyes'] : [];
  const form = built.forms.find((each) => each.kind === 'wound');
  const manner = form?.kind === 'wound' ? form.manner : null;
  if (manner === 'dubbing') {
    const dubbed =
      file.dubbed ?? (file.with !== undefined ? 'loop' : /loose/i.test(built.figuredAs) ? 'split' : 'rope');
    return [dubbed === 'touch' ? 'rope' : dubbed, ...past];
  }
  if (manner === 'herl' || manner === 'plume') return ['twist-herl', ...past];
  if (manner === 'flat' || manner === 'quill') return ['edge'];
  return [...(isOnCore(part) ? ['stroke'] : []), ...past];
}

const OF_FRAME: Readonly<Record<string, readonly string[]>> = { thread: ['start', 'bed'], whip: ['whip'] };

/** The techniques a step of a move names; those of a step that belongs to no part by its key. */
export function techniqueKeys(key: string, move: Move | null, laid: LaidFly): readonly string[] {
  if (move) return ofPart(move, laid);
  if (key === 'head' && 'eye' in laid.file.platform && (laid.file.platform.eye ?? 'straight') !== 'straight')
    return ['ring'];
  return OF_FRAME[key] ?? [];
}

const BY_KEY = new Map(TECHNIQUES.map((each) => [each.key, each]));

/** The techniques of a step. */
export const techniquesIn = ({ techniques }: Pick<Step, 'techniques'>): readonly Technique[] =>
  techniques.flatMap((key) => BY_KEY.get(key) ?? []);

/** Steps as a beginner is told them: the first time a technique is needed it is written out. */
export function taught(steps: readonly Step[]): Step[] {
  const told = new Set<string>();
  return steps.map((each) => {
    const fresh = techniquesIn(each).filter(({ key }) => !told.has(key));
    fresh.forEach(({ key }) => told.add(key));
    if (fresh.length === 0) return each;
    return {
      ...each,
      how: [...each.how, ...fresh.map(({ name, how, wrong, see }) => `${name}: ${how} ${wrong} Right: ${see}`)],
    };
  });
}
