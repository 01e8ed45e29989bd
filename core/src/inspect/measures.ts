import { bad, type Fault, good, type Outcome, suggestion } from '../base/index.ts';
import { type Drawers, named } from '../drawers/index.ts';
import { withKey, withPart } from '../edit/index.ts';
import type { FlyFile } from '../pattern/index.ts';
import type { LaidFly, LaidPart } from '../model/index.ts';
import { standing } from '../checks/index.ts';
import { spreadKey } from '../study/index.ts';
import { partName } from '../tying/index.ts';

/** Something that can be measured on a finished fly and is said by its pattern. */
export interface Measure {
  /** As a specimen names it: `tail`, `wing.pastBend`, `hackle.fibre`, `eyes.at`, `hook.shank`. */
  readonly key: string;
  /** As a tier says it: `wing past the bend`. */
  readonly words: string;
  /** Null for the hook and the head. */
  readonly part: string | null;
  readonly planMm: number;
  /** Where it may lie, mm; null for what is bought. */
  readonly bandMm: readonly [low: number, high: number] | null;
  /** What it is on a fly as it is laid. */
  readonly on: (laid: LaidFly) => number | null;
  /** Whether it comes so out of its packet, and no hand makes it so. */
  readonly bought: boolean;
  /** The pattern with so many mm more of it; null where the pattern cannot say it. */
  readonly more: ((file: FlyFile, laid: LaidFly, byMm: number) => FlyFile) | null;
}

/** What is not told by a rule still leaves a tier's hand some play: the judgement of the checks. */
const PLAY = { share: 0.05, mm: 1 };
/** Hands whose spread is known have two of it either way: nineteen of twenty. */
const OWN_PLAY = 2;

const partOf = (laid: LaidFly, id: string): LaidPart | undefined => laid.parts.find(({ file }) => file.id === id);
const mmText = (mm: number): string => `${Math.max(0.01, mm).toFixed(4)} mm`;

/** A relation that comes to so many mm more, so that what leans on the part follows it, as it does at the vise. */
const longer = (text: string, byMm: number): string =>
  `${text} ${byMm < 0 ? '-' : '+'} ${Math.abs(byMm).toFixed(4)} mm`;

/** What of a part is measured, before its name. */
const ASPECTS: Readonly<Record<string, string>> = {
  fibre: 'fibres of ',
  diameter: 'diameter of ',
  at: 'place of ',
  width: 'width of ',
  thickness: 'thickness of ',
};

/** The key a part's length is told by; null where it is told by none. */
function lengthKey({ file }: LaidPart): 'length' | 'fibre' | 'tip' | null {
  const written = file as unknown as Readonly<Record<string, unknown>>;
  return (['length', 'fibre', 'tip'] as const).find((key) => typeof written[key] === 'string') ?? null;
}

const withMore =
  (id: string, key: string) =>
  (file: FlyFile, laid: LaidFly, byMm: number): FlyFile =>
    withPart(file, id, (part) => {
      const text = (part as unknown as Readonly<Record<string, unknown>>)[key];
      const now = partOf(laid, id)?.extent.readings[key]?.mm;
      if (typeof text !== 'string') return part;
      // What is told by a band, or by another part, is told in mm from then on.
      const plain = key === 'tip' || key === 'at' || now === undefined ? longer(text, byMm) : mmText(now + byMm);
      return withKey(part, key, plain);
    });

/** Spreads of the hands that tie, other than the usual, by their keys. */
type Spreads = Readonly<Record<string, number>>;

/** The band a part's length is to lie in: its school's where the plan keeps it, else the plan with a hand's play. */
function bandOf(laid: LaidFly, part: LaidPart, drawers: Drawers, spreads: Spreads): readonly [number, number] {
  const { file, extent } = part;
  const planMm = extent.lengthMm;
  const school = laid.file.school === undefined ? null : named(drawers.schools, laid.file.school);
  const at = school && standing(laid, file.id, school, drawers);
  if (at && at.key !== 'from' && at.within) {
    // A tip's place and a free length differ by where the part is bound.
    const off = at.key === 'tip' ? extent.lengthMm - at.valueMm : 0;
    return [at.lowMm + off, at.highMm + off];
  }
  const told = extent.readings[lengthKey(part) ?? ''];
  if (told && told.high > told.low && Math.abs(told.mm - planMm) < 1e-6) return [told.low, told.high];
  const own = spreads[spreadKey(file.id, 'length')];
  const play = Math.max(PLAY.mm, (own === undefined ? PLAY.share : OWN_PLAY * own) * planMm);
  return [Math.max(0, planMm - play), planMm + play];
}

const fixed = (planMm: number): readonly [number, number] => {
  const play = Math.max(PLAY.mm / 2, PLAY.share * planMm);
  return [Math.max(0, planMm - play), planMm + play];
};

const middleOf = ({ extent }: LaidPart): number => (extent.startMm + extent.endMm) / 2;

/** What of one part can be measured. */
function ofPart(part: LaidPart, laid: LaidFly, drawers: Drawers, spreads: Spreads): Measure[] {
  const { id } = part.file;
  const own = (
    key: string,
    of: (part: LaidPart) => number | undefined,
    more: Measure['more'],
    band?: Measure['bandMm'],
  ) => {
    const planMm = of(part);
    return planMm === undefined || !(planMm > 0)
      ? []
      : [
          {
            key,
            words: `${ASPECTS[key.slice(id.length + 1)] ?? ''}${partName(id)}${key.endsWith('.pastBend') ? ' past the bend' : ''}`,
            part: id,
            planMm,
            bandMm: band === undefined ? fixed(planMm) : band,
            bought: false,
            on: (now: LaidFly) => {
              const there = partOf(now, id);
              return there ? (of(there) ?? null) : null;
            },
            more,
          },
        ];
  };
  const told = lengthKey(part);
  const length =
    told === null || told === 'fibre'
      ? []
      : own(id, ({ extent }) => extent.lengthMm, withMore(id, told), bandOf(laid, part, drawers, spreads));
  const pastBend = ({ extent: { tipMm } }: LaidPart): number | undefined =>
    tipMm === null ? undefined : tipMm - laid.platform.landmarksMm.rear;
  const sized = (key: string): Measure[] =>
    own(`${id}.${key}`, ({ extent }) => extent.lengths[key]?.mm ?? extent.readings[key]?.mm, withMore(id, key));
  return [
    ...length,
    ...(told === null || told === 'fibre' ? [] : own(`${id}.pastBend`, pastBend, withMore(id, told))),
    ...(part.file.construction === 'hackle' ? sized('fibre') : []),
    ...(part.file.construction === 'ball'
      ? [...sized('diameter'), ...own(`${id}.at`, middleOf, withMore(id, 'at'))]
      : []),
    ...('width' in part.file && part.file.width !== undefined ? sized('width') : []),
    ...asSold(part, drawers),
  ];
}

/** What of a part a pattern leaves as it is sold, with the figure its material has of it. */
function soldAs(
  { file, built }: LaidPart,
  { strips, sheets }: Drawers,
): { readonly key: string; readonly mm: number }[] {
  const named = <T extends { readonly name: string }>(items: readonly T[]): T | undefined =>
    items.find(({ name }) => name === built.figuredAs);
  if (file.construction === 'strip' && file.width === undefined) {
    const hide = named(strips);
    return hide ? [{ key: 'width', mm: hide.widthMm }] : [];
  }
  if (file.construction === 'sheet' && file.thickness === undefined) {
    const sheet = named(sheets);
    return sheet ? [{ key: 'thickness', mm: sheet.thicknessMm }] : [];
  }
  return [];
}

/** Measures of what is bought ready and cut no other. */
const asSold = (part: LaidPart, drawers: Drawers): Measure[] =>
  soldAs(part, drawers).map(({ key, mm }): Measure => {
    const { id } = part.file;
    const on = (now: LaidFly): number | null => {
      const there = partOf(now, id);
      if (!there) return null;
      return there.extent.lengths[key]?.mm ?? soldAs(there, drawers)[0]?.mm ?? null;
    };
    return {
      key: `${id}.${key}`,
      words: `${ASPECTS[key] ?? ''}${partName(id)}`,
      part: id,
      planMm: mm,
      bandMm: null,
      bought: true,
      on,
      more: (file, now, byMm) => withPart(file, id, (each) => withKey(each, key, mmText((on(now) ?? mm) + byMm))),
    };
  });

/** Measures of the hook: what is bought has no band. */
function ofHook(laid: LaidFly): Measure[] {
  const { platform } = laid;
  const has = { shank: platform.shankMm, gap: platform.gapMm, wire: platform.wireMm } as const;
  const { kind } = laid.file.platform;
  if (kind === 'tube' || kind === 'shank') return [];
  return (['shank', 'gap', 'wire'] as const).flatMap((key): Measure[] => {
    const planMm = has[key];
    if (planMm === null) return [];
    const on = ({ platform: now }: LaidFly): number | null =>
      ({ shank: now.shankMm, gap: now.gapMm, wire: now.wireMm })[key];
    const more = (file: FlyFile, now: LaidFly, byMm: number): FlyFile => ({
      ...file,
      platform: { ...file.platform, [key]: mmText((on(now) ?? planMm) + byMm) },
    });
    return [
      { key: `hook.${key}`, words: `the hook’s ${key}`, part: null, planMm, bandMm: null, bought: true, on, more },
    ];
  });
}

/** Everything that can be measured on a fly and compared with its plan. @param spreads of the hands that tie; the usual play where none are known */
export const measuresOf = (laid: LaidFly, drawers: Drawers, spreads: Spreads = {}): readonly Measure[] => [
  ...ofHook(laid),
  ...laid.parts.flatMap((part) => ofPart(part, laid, drawers, spreads)),
  ...(laid.headMm > 0
    ? [
        {
          key: 'head',
          words: 'the head',
          part: null,
          planMm: laid.headMm,
          bandMm: fixed(laid.headMm),
          on: (now: LaidFly) => now.headMm,
          bought: false,
          more: null,
        },
      ]
    : []),
];

/** The measures a specimen names, or what is wrong with its names. */
export function namedMeasures(
  names: readonly string[],
  measures: readonly Measure[],
): Outcome<ReadonlyMap<string, Measure>> {
  // The length of a hackle is that of its fibres.
  const known = new Map(
    measures.flatMap((each) =>
      each.key.endsWith('.fibre') && each.part !== null
        ? [[each.part.toLowerCase(), each] as const, [each.key.toLowerCase(), each] as const]
        : [[each.key.toLowerCase(), each] as const],
    ),
  );
  const faults: Fault[] = [];
  const found = new Map<string, Measure>();
  for (const name of names) {
    const measure = known.get(name.toLowerCase());
    if (measure) found.set(name, measure);
    else
      faults.push({
        path: `lengths.${name}`,
        code: 'unknown-name',
        message: `nothing on this fly is measured as "${name}"${suggestion(name, [...known.keys()])}; there are ${measures.map(({ key }) => key).join(', ')}`,
      });
  }
  return faults.length > 0 ? bad(...faults) : good(found);
}
