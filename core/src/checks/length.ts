import { withKey, withPart } from '../edit/index.ts';
import { formatNumber } from '../units/index.ts';
import { limpness, traitsOf, type LaidPart } from '../model/index.ts';
import type { PartOf } from '../pattern/index.ts';
import type { Standing } from './standing.ts';
import { partName, relationWords } from '../tying/index.ts';
import { found, partsOf, type Checking, type Check, type Found } from './types.ts';

const mm = (value: number): string => `${formatNumber(value, 1)} mm`;
const SUPPORT: Readonly<Record<string, number>> = { none: 1, 'turn-under': 0.6, dam: 0.6, loop: 0.4, underlay: 0.4 };
/** What is under the free end of a part; null where nothing can be. */
const supportOf = ({ file }: LaidPart): string | null =>
  traitsOf(file.construction).free ? ((file as PartOf<'bundle'>).support ?? 'none') : null;

const standingOf = (fly: Checking, part: LaidPart): Standing | null => fly.standing(part.file.id);

/** A fix that tells the part by its school again. */
const rejoin = (at: Standing | null): Found['fix'] =>
  at && !at.follows ? { words: `follow the school: ${relationWords(at.rule)}`, file: at.file } : null;

/** Whether a hook trails far enough back to be in what hangs free. */
const hookBehind = ({ laid }: Checking, part: LaidPart): boolean =>
  laid.platform.landmarksMm.bend < (laid.platform.landmarksMm.point ?? -1) &&
  (laid.platform.landmarksMm.point ?? 0) > (part.extent.tipMm ?? 0) * 0.6;

export const LENGTH: readonly Check[] = [
  {
    code: 'length.foul',
    costs: 'fish',
    reason: 'What hangs far behind the bend, limp and without support, wraps round it in the cast.',
    limits: {
      note: { value: 2.5, means: 'overhang in gaps, times limpness and support: worth knowing' },
      warn: { value: 3.5, means: 'from here it fouls often' },
    },
    find: (fly) => {
      const { platform } = fly.laid;
      const { gapMm } = platform;
      if (gapMm === null) return [];
      return fly.laid.parts.flatMap((part): Found[] => {
        const limp = limpness(part, fly.drawers);
        const { tipMm } = part.extent;
        if (limp === null || tipMm === null || hookBehind(fly, part)) return [];
        const support = SUPPORT[supportOf(part) ?? 'none'] ?? 1;
        const bound = part.file.construction === 'strip' && (part.file.boundAt?.length ?? 0) > 0 ? 0.6 : 1;
        const figure = (Math.max(0, tipMm - platform.landmarksMm.bend) / gapMm) * limp * Math.min(support, bound);
        if (figure < fly.limit('note')) return [];
        const at = standingOf(fly, part);
        const warn = figure >= fly.limit('warn') && at?.within !== true;
        const supported =
          supportOf(part) !== null && support === 1
            ? {
                words: 'a turn of thread under it',
                file: withPart(fly.file, part.file.id, (each) => withKey(each, 'support', 'turn-under')),
              }
            : null;
        return [
          found(
            warn ? 'warn' : 'note',
            part,
            `${partName(part.file.id)} hangs ${mm(tipMm - platform.landmarksMm.bend)} behind the bend: fouling ${formatNumber(figure, 1)}`,
            {
              figure,
              limit: fly.limit(warn ? 'warn' : 'note'),
              fix: (at?.within === false ? rejoin(at) : null) ?? supported,
            },
          ),
        ];
      });
    },
  },
  {
    code: 'length.nip',
    costs: 'fish',
    reason: 'Fish nip what trails far behind the hook and come away with it.',
    limits: {
      note: { value: 1.15, means: 'times the top of its band' },
      warn: { value: 1.4, means: 'times the top of its band' },
    },
    find: (fly) =>
      partsOf(fly.laid, 'bundle', 'strip').flatMap((part): Found[] => {
        const at = standingOf(fly, part);
        // Legs that are too long are told as such: no fish nips them off.
        if (!at || at.key !== 'length' || at.slot === 'legs' || hookBehind(fly, part)) return [];
        const figure = at.valueMm / at.highMm;
        if (figure < fly.limit('note')) return [];
        const warn = figure >= fly.limit('warn');
        return [
          found(
            warn ? 'warn' : 'note',
            part,
            `${partName(part.file.id)} is ${mm(at.valueMm)} long, ${formatNumber(figure, 2)} × the longest its school ties it`,
            { figure, limit: fly.limit(warn ? 'warn' : 'note'), fix: rejoin(at) },
          ),
        ];
      }),
  },
  {
    code: 'length.band',
    costs: 'fish',
    reason: 'The school keeps this measure within a band, and says why.',
    limits: {},
    find: (fly) =>
      fly.laid.parts.flatMap((part): Found[] => {
        const at = standingOf(fly, part);
        if (!at || at.within || at.follows || at.slot === 'body') return [];
        return [
          found(
            'note',
            part,
            `${partName(part.file.id)}: ${mm(at.valueMm)} lies outside ${mm(at.lowMm)} to ${mm(at.highMm)} (${relationWords(at.rule)}): ${at.why}`,
            { figure: at.valueMm, limit: at.valueMm > at.highMm ? at.highMm : at.lowMm, fix: rejoin(at) },
          ),
        ];
      }),
  },
  {
    code: 'length.pair',
    costs: 'looks',
    reason: 'Near and far side of unequal length make the fly swim crooked.',
    limits: { share: { value: 0.04, means: 'difference, share of the longer' } },
    find: (fly) =>
      fly.laid.parts.flatMap((near): Found[] => {
        if (near.file.side !== 'near' || near.extent.tipMm === null) return [];
        const far = fly.laid.parts.find(
          (each) =>
            each.file.side === 'far' &&
            each.file.role === near.file.role &&
            each.file.construction === near.file.construction,
        );
        if (!far) return [];
        const [a, b] = [near.extent.lengthMm, far.extent.lengthMm];
        const figure = Math.abs(a - b) / Math.max(a, b);
        if (figure <= fly.limit('share')) return [];
        return [
          found('warn', near, `${partName(near.file.id)} is ${mm(a)}, ${partName(far.file.id)} ${mm(b)}`, {
            parts: [near.file.id, far.file.id],
            figure,
            limit: fly.limit('share'),
            fix: {
              words: `make ${partName(far.file.id)} as long as ${partName(near.file.id)}`,
              file: withPart(fly.file, far.file.id, (each) =>
                withKey(withKey(each, 'tip', undefined), 'length', `same as ${partName(near.file.id)}`),
              ),
            },
          }),
        ];
      }),
  },
  {
    code: 'length.flash-far',
    costs: 'fish',
    reason: 'Flash that reaches far past what it tops is nipped first, and tangles.',
    limits: {
      share: { value: 0.2, means: 'of its length past the longest soft part' },
      mm: { value: 4, means: 'mm past it, where that is more' },
    },
    find: (fly) => {
      const soft = partsOf(fly.laid, 'bundle', 'strip', 'feather', 'hackle').filter(
        (part) => part.file.role !== 'flash',
      );
      const tip = Math.max(...soft.map((part) => part.extent.tipMm ?? -Infinity));
      if (!Number.isFinite(tip)) return [];
      return fly.laid.parts.flatMap((part): Found[] => {
        if (part.file.role !== 'flash' || part.extent.tipMm === null) return [];
        const past = part.extent.tipMm - tip;
        const limit = Math.max(fly.limit('mm'), fly.limit('share') * part.extent.lengthMm);
        if (past <= limit) return [];
        return [
          found('warn', part, `${partName(part.file.id)} reaches ${mm(past)} past all else`, { figure: past, limit }),
        ];
      });
    },
  },
  {
    code: 'length.legs',
    costs: 'fish',
    reason: 'Legs longer than the gap catch the bend and hold the fish off the point.',
    limits: {
      gaps: { value: 1, means: 'gaps long: worth knowing' },
      far: { value: 2.5, means: 'gaps long: they catch it' },
    },
    find: (fly) => {
      const { gapMm } = fly.laid.platform;
      if (gapMm === null) return [];
      return fly.laid.parts.flatMap((part): Found[] => {
        const figure = part.extent.lengthMm / gapMm;
        if (part.file.role !== 'legs' || figure <= fly.limit('gaps') + 1e-6) return [];
        return [
          found(
            figure > fly.limit('far') ? 'warn' : 'note',
            part,
            `${partName(part.file.id)} are ${mm(part.extent.lengthMm)}, ${formatNumber(figure, 2)} gaps`,
            {
              figure,
              limit: fly.limit('gaps'),
              fix: {
                words: 'at most a gap',
                file: withPart(fly.file, part.file.id, (each) =>
                  withKey(withKey(each, 'tip', undefined), 'length', 'at most gap'),
                ),
              },
            },
          ),
        ];
      });
    },
  },
  {
    code: 'length.cut',
    costs: 'looks',
    reason: 'A square cut tip on plume or fur looks cut and works like a brush: pinch it or taper it.',
    limits: {},
    find: (fly) =>
      partsOf(fly.laid, 'bundle', 'strip').flatMap((part): Found[] => {
        const { file } = part;
        const manner = fly.drawers.bundles.find((each) => each.name === part.built.figuredAs)?.manner;
        const cut =
          file.construction === 'strip'
            ? file.ends === 'square'
            : file.construction === 'bundle' && file.ends === 'cut' && manner === 'plume';
        if (!cut) return [];
        return [
          found('warn', part, `${partName(file.id)} ends in a square cut`, {
            fix: {
              words: file.construction === 'strip' ? 'taper it' : 'tear it, do not cut it',
              file: withPart(fly.file, file.id, (each) =>
                withKey(each, 'ends', file.construction === 'strip' ? 'tapered' : 'torn'),
              ),
            },
          }),
        ];
      }),
  },
];
