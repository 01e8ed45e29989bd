import { named } from '../drawers/index.ts';
import type { FlyFile } from '../pattern/index.ts';
import type { LaidPart } from '../model/index.ts';
import { withKey, withPart } from '../edit/index.ts';
import { formatNumber } from '../units/index.ts';
import { partName } from '../tying/index.ts';
import { found, overlap, partsOf, type Checking, type Check, type Found } from './types.ts';

const USUAL_DENIER = 140;
const denierOf = ({ file }: Checking): number => file.thread?.denier ?? USUAL_DENIER;
const withDenier = (file: FlyFile, denier: number): FlyFile => ({ ...file, thread: { ...file.thread, denier } });
const THIRD = 1 / 3;

/** A thread finer than a part asks for, and the one that does; nothing where it does. @param words of what the thread holds */
function tooFine(fly: Checking, part: LaidPart, words: string): Found[] {
  const [denier, limit] = [denierOf(fly), fly.limit('denier')];
  if (denier >= limit) return [];
  return [
    found('note', part, `${partName(part.file.id)}: ${words} ${formatNumber(denier, 0)} denier`, {
      figure: denier,
      limit,
      fix: { words: `${formatNumber(limit, 0)} denier thread`, file: withDenier(fly.file, limit) },
    }),
  ];
}

const ribs = (fly: Checking): LaidPart[] => partsOf(fly.laid, 'wrap').filter((part) => part.file.role === 'rib');
/** Ribs that run over a good part of another. */
const over = (fly: Checking, part: LaidPart): LaidPart[] =>
  ribs(fly).filter((rib) => overlap(rib, part) > THIRD * (part.extent.endMm - part.extent.startMm));
const directionOf = (part: LaidPart): string =>
  part.file.construction === 'wrap' ? (part.file.direction ?? 'with') : 'with';

/** A weight is pushed home where its front end touches a bead, eyes or another weight. */
const pushedHome = (fly: Checking, wire: LaidPart): boolean =>
  fly.laid.parts.some(
    (part) =>
      part !== wire && part.file.construction === 'ball' && Math.abs(part.extent.endMm - wire.extent.startMm) < 0.6,
  );

/** Too short for a rib, or no body at all. */
const SHORT: ReadonlySet<string> = new Set(['rib', 'tag', 'butt', 'collar', 'head', 'hackle']);
/** A hackle that is wound along a good part of another. */
const hackled = (fly: Checking, part: LaidPart): boolean =>
  partsOf(fly.laid, 'hackle').some(
    (each) => each.file.construction === 'hackle' && each.file.from !== undefined && overlap(each, part) > 0.5,
  );

const mannerOf = (fly: Checking, part: LaidPart): string | undefined =>
  fly.drawers.wound.find((each) => each.name === part.built.figuredAs)?.manner;
/** Bodies of tufts, between which a stem sinks. */
const BUSHY: ReadonlySet<string> = new Set(['chenille', 'bristle', 'brush']);

export const STRENGTH: readonly Check[] = [
  {
    code: 'strength.herl',
    costs: 'strength',
    reason: 'Herl and floss are cut by the first tooth unless a rib wound the other way crosses every turn.',
    limits: {},
    find: (fly) =>
      partsOf(fly.laid, 'wrap').flatMap((part): Found[] => {
        if (SHORT.has(part.file.role) || part.file.continues !== undefined) return [];
        const manner = mannerOf(fly, part);
        if (manner !== 'herl' && manner !== 'floss') return [];
        const crossing = over(fly, part);
        // The stem of a hackle that is bound by a rib crosses it too, and so does a rib of its own strand.
        if (crossing.length > 0 && hackled(fly, part)) return [];
        if (crossing.some(({ file }) => file.continues?.toLowerCase() === part.file.id.toLowerCase())) return [];
        if (crossing.some((rib) => directionOf(rib) !== directionOf(part))) return [];
        const [rib] = crossing;
        // An open rib over floss crosses its touching turns whichever way it goes.
        if (rib && manner === 'floss') return [];
        return [
          found(
            'note',
            part,
            rib
              ? `${partName(rib.file.id)} runs along the turns of ${partName(part.file.id)} and does not cross them`
              : `no rib crosses ${partName(part.file.id)}`,
            {
              parts: [part.file.id, ...(rib ? [rib.file.id] : [])],
              fix: rib
                ? {
                    words: `wind ${partName(rib.file.id)} the other way`,
                    file: withPart(fly.file, rib.file.id, (each) =>
                      withKey(each, 'direction', directionOf(rib) === 'with' ? 'counter' : 'with'),
                    ),
                  }
                : null,
            },
          ),
        ];
      }),
  },
  {
    code: 'strength.palmer',
    costs: 'strength',
    reason: 'A palmered hackle whose stem nothing binds unwinds at the first tooth.',
    limits: {},
    find: (fly) =>
      partsOf(fly.laid, 'hackle').flatMap((part): Found[] => {
        if (part.file.construction !== 'hackle' || part.file.style !== 'palmer' || over(fly, part).length > 0)
          return [];
        // Between the tufts of a bushy body a stem lies sheltered, though nothing binds it.
        const sheltered = partsOf(fly.laid, 'wrap').some(
          (body) => body.file.role === 'body' && overlap(body, part) > 0 && BUSHY.has(mannerOf(fly, body) ?? ''),
        );
        return [found(sheltered ? 'note' : 'warn', part, `no rib binds ${partName(part.file.id)}`)];
      }),
  },
  {
    code: 'strength.hide-thread',
    costs: 'strength',
    reason: 'Thick hide wants a thread that can be pulled hard.',
    limits: {
      thick: { value: 0.7, means: 'mm of hide' },
      section: { value: 2.2, means: 'mm² of hide, width times thickness' },
      denier: { value: 110, means: 'denier that holds it' },
    },
    find: (fly) =>
      partsOf(fly.laid, 'strip').flatMap((part): Found[] => {
        const material = fly.drawers.strips.find((each) => each.name === part.built.figuredAs);
        const thick = part.extent.lengths['thickness']?.mm ?? material?.hideMm ?? 0;
        const section = thick * (part.extent.lengths['width']?.mm ?? material?.widthMm ?? 0);
        if (thick <= fly.limit('thick') && section <= fly.limit('section')) return [];
        return tooFine(fly, part, `hide of ${formatNumber(section, 1)} mm² on`);
      }),
  },
  {
    code: 'strength.spun-thread',
    costs: 'strength',
    reason: 'Hair is flared by pulling hard; a fine thread breaks or cuts it.',
    limits: { denier: { value: 130, means: 'denier that flares it' } },
    find: (fly) => partsOf(fly.laid, 'spun').flatMap((part) => tooFine(fly, part, 'flared with')),
  },
  {
    code: 'strength.eyes',
    costs: 'strength',
    reason: 'Eyes that are only bound turn on the shank: a drop of glue on the crossing turns holds them.',
    limits: { gaps: { value: 0.35, means: 'gaps across one eye from which it matters' } },
    find: (fly) => {
      const { gapMm } = fly.laid.platform;
      const glued = fly.file.finish?.glueOnThread === true;
      return partsOf(fly.laid, 'ball').flatMap((part): Found[] => {
        if (part.file.construction !== 'ball' || part.file.shape !== 'dumbbell' || glued || gapMm === null) return [];
        const coated = partsOf(fly.laid, 'coat').some(
          (coat) => coat.file.construction === 'coat' && coat.file.over === part.file.id,
        );
        const figure = part.extent.lengthMm / gapMm;
        if (coated || figure < fly.limit('gaps')) return [];
        return [
          found('note', part, `nothing but thread holds ${partName(part.file.id)}`, {
            figure,
            limit: fly.limit('gaps'),
            fix: {
              words: 'glue on the thread',
              file: { ...fly.file, finish: { ...fly.file.finish, glueOnThread: true } },
            },
          }),
        ];
      });
    },
  },
  {
    code: 'strength.weight',
    costs: 'strength',
    reason: 'Loose wire slides and turns inside the body: glue it, bind it, or push it home against a bead.',
    limits: {},
    find: (fly) =>
      partsOf(fly.laid, 'wrap').flatMap((part): Found[] => {
        if (part.file.role !== 'underbody' || fly.file.finish?.glueOnThread === true || pushedHome(fly, part))
          return [];
        const covered = partsOf(fly.laid, 'wrap')
          .filter((each) => each.file.role === 'body')
          .reduce((sum, each) => sum + Math.max(0, overlap(each, part)), 0);
        if (covered > 0.9 * (part.extent.endMm - part.extent.startMm)) return [];
        return [
          found('note', part, `${partName(part.file.id)} is neither glued, covered nor pushed home`, {
            fix: {
              words: 'glue on the thread',
              file: { ...fly.file, finish: { ...fly.file.finish, glueOnThread: true } },
            },
          }),
        ];
      }),
  },
  {
    code: 'strength.temper',
    costs: 'fish',
    reason: 'A soft hook opens on a good fish, a brittle one breaks.',
    limits: {},
    find: ({ file, drawers }) => {
      const hook = file.platform.kind === 'tube' || file.platform.kind === 'shank' ? file.platform.hook : file.platform;
      const packet = hook?.packet === undefined ? null : named(drawers.hooks, hook.packet);
      if (packet?.temper !== 'soft' && packet?.temper !== 'brittle') return [];
      return [found('warn', null, `the hooks of ${packet.name} proved ${packet.temper}`)];
    },
  },
];

export const SALT: readonly Check[] = [
  {
    code: 'salt.hook',
    costs: 'strength',
    reason: 'A bronzed or japanned hook rusts in salt water, first inside the dressing.',
    limits: {},
    find: ({ file, drawers }) => {
      const water = file.intent?.water?.kind;
      if (water !== 'salt' && water !== 'brackish') return [];
      const body = file.platform.kind === 'tube' || file.platform.kind === 'shank';
      const hook = body ? ('hook' in file.platform ? file.platform.hook : undefined) : file.platform;
      if (!hook) return [];
      const packet = 'packet' in hook && hook.packet !== undefined ? named(drawers.hooks, hook.packet) : null;
      const finish = ('finish' in hook ? hook.finish : undefined) ?? packet?.finish;
      const safe = packet?.saltSafe === true || finish === 'stainless' || finish === 'tin';
      if (safe || finish === undefined) return [];
      return [
        found(water === 'salt' ? 'warn' : 'note', null, `a ${finish} hook in ${water} water`, {
          fix: body
            ? null
            : {
                words: 'a stainless hook',
                file: { ...file, platform: { ...file.platform, finish: 'stainless' } as FlyFile['platform'] },
              },
        }),
      ];
    },
  },
  {
    code: 'salt.wire',
    costs: 'looks',
    reason: 'Bare brass and copper tarnish in salt water within a day.',
    limits: {},
    find: ({ laid, file }) => {
      if (file.intent?.water?.kind !== 'salt') return [];
      return laid.parts.flatMap((part): Found[] => {
        const metal = /\b(?:brass|copper)\b/.exec(part.file.material ?? '')?.[0];
        return metal === undefined
          ? []
          : [found('note', part, `${partName(part.file.id)} of bare ${metal} in salt water`)];
      });
    },
  },
];
