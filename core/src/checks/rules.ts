import { solidNamed } from '../data/index.ts';
import type { RulesItem } from '../drawers/index.ts';
import type { FlyFile } from '../pattern/index.ts';
import type { LaidPart } from '../model/index.ts';
import { formatNumber } from '../units/index.ts';
import { partName } from '../tying/index.ts';
import { found, type Checking, type Check, type Found } from './types.ts';

/** What a part is of, if it is a metal or another solid. */
const solidOf = (part: LaidPart) => solidNamed(part.built.figuredAs);
const isWeight = (part: LaidPart): boolean =>
  (part.file.role === 'underbody' && solidOf(part) !== null) ||
  (part.file.construction === 'ball' &&
    !['plastic', 'film', 'resin', 'glass'].includes(solidOf(part)?.name ?? 'plastic'));

const hookOf = ({ platform }: FlyFile) =>
  platform.kind === 'tube' || platform.kind === 'shank' ? platform.hook : platform;

const points = (file: FlyFile): number => {
  const kind = hookOf(file)?.kind;
  return kind === undefined ? 0 : kind === 'double' ? 2 : 1;
};

/** One check of the user's own rules: what each set asks is held against the fly. */
const rule = (code: string, reason: string, find: (fly: Checking, rules: RulesItem) => readonly Found[]): Check => ({
  code,
  costs: 'fish',
  reason,
  limits: {},
  find: (fly) =>
    fly.rules.flatMap((rules) =>
      find(fly, rules).map((each) => ({ ...each, message: `${rules.name}: ${each.message}` })),
    ),
});

const ASKED = 'You wrote this rule down for a water; the real rules are yours to look up.';

export const RULES: readonly Check[] = [
  rule('rules.lead', ASKED, (fly, { noLead }) =>
    noLead !== true
      ? []
      : fly.laid.parts.flatMap((part): Found[] =>
          solidOf(part)?.lead === true ? [found('stop', part, `${partName(part.file.id)} are lead`)] : [],
        ),
  ),
  rule('rules.barbless', ASKED, ({ file }, { barbless }) => {
    const hook = hookOf(file);
    const barb = hook && 'barb' in hook ? (hook.barb ?? 'full') : 'none';
    if (barbless !== true || barb !== 'full') return [];
    const body = file.platform.kind === 'tube' || file.platform.kind === 'shank';
    const pinched = { ...hook, barb: 'pinched' };
    const platform = (body ? { ...file.platform, hook: pinched } : pinched) as FlyFile['platform'];
    return [
      found('stop', null, 'the hook has a barb', { fix: { words: 'pinch the barb', file: { ...file, platform } } }),
    ];
  }),
  rule('rules.hooks', ASKED, ({ file }, { singleHook, mostHooks }) => {
    const count = points(file);
    if (singleHook === true && count > 1)
      return [found('stop', null, 'only single hooks', { figure: count, limit: 1 })];
    if (mostHooks !== undefined && count > mostHooks)
      return [
        found('stop', null, `${String(count)} points, ${String(mostHooks)} at most`, {
          figure: count,
          limit: mostHooks,
        }),
      ];
    return [];
  }),
  rule('rules.weight', ASKED, (fly, { noAddedWeight }) => {
    if (noAddedWeight !== true) return [];
    return fly.laid.parts.flatMap((part): Found[] =>
      isWeight(part) ? [found('stop', part, `${partName(part.file.id)} is added weight`)] : [],
    );
  }),
  rule('rules.gap', ASKED, ({ laid }, { largestGapMm }) => {
    const { gapMm } = laid.platform;
    if (largestGapMm === undefined || gapMm === null || gapMm <= largestGapMm) return [];
    return [
      found('stop', null, `a gap of ${formatNumber(gapMm, 1)} mm, ${formatNumber(largestGapMm, 1)} at most`, {
        figure: gapMm,
        limit: largestGapMm,
      }),
    ];
  }),
  rule('rules.length', ASKED, ({ laid }, { longestMm }) => {
    const longest = Math.max(laid.platform.landmarksMm.rear, ...laid.parts.map((part) => part.extent.tipMm ?? 0));
    if (longestMm === undefined || longest <= longestMm) return [];
    return [
      found('stop', null, `${formatNumber(longest, 0)} mm long, ${formatNumber(longestMm, 0)} at most`, {
        figure: longest,
        limit: longestMm,
      }),
    ];
  }),
];
