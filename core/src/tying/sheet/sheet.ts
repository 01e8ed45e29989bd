import { NOMINAL_DRAWERS, type Drawers } from '../../drawers/index.ts';
import { platformWords, verdictSentence } from '../../contract/index.ts';
import { reportFly, type FlyReport, type LaidPart, type SolvedFly } from '../../model/index.ts';
import { partName, relationWords } from '../partName.ts';
import type { Step } from '../step.ts';
import { tyingPlan, type TyingPlan } from '../steps.ts';
import { taught, techniquesIn } from '../techniques.ts';
import { turnWords } from '../words/told.ts';
import { formatAngle, formatDepth, formatNumber, METRIC, type Style, saying, type Saying } from '../../units/index.ts';
import { seedOf } from '../../numeric/index.ts';

/** One thing to have on the table: what it is, how much of it, and the length it is cut to. */
export interface SheetMaterial {
  readonly part: string | null;
  readonly words: string;
  readonly cut: string | null;
}

/** One measure of the finished fly, in figures and as the tier wrote it. */
export interface SheetProportion {
  readonly part: string;
  readonly figure: string;
  readonly relation: string | null;
}

/** How a fly is tied, on a page: what is needed, its steps, its measures, what it does, what to take care with. */
export interface TyingSheet {
  readonly name: string;
  /** Short, of the fly as it is: another version has another. */
  readonly id: string;
  readonly hook: string;
  readonly notes: string | null;
  readonly materials: readonly SheetMaterial[];
  readonly steps: readonly Step[];
  readonly proportions: readonly SheetProportion[];
  /** What it does in water, one thing a line. */
  readonly does: readonly string[];
  readonly cautions: readonly string[];
}

/** Letters and figures that are not mistaken for one another. */
const ALPHABET = '23456789abcdefghjkmnpqrstuvwxyz';
const ID_LENGTH = 5;

/** A short name for one version of a fly: the same file has the same. */
export function shortId(file: unknown): string {
  let rest = seedOf(JSON.stringify(file));
  let id = '';
  for (let i = 0; i < ID_LENGTH; i++) {
    id += ALPHABET.charAt(rest % ALPHABET.length);
    rest = Math.floor(rest / ALPHABET.length);
  }
  return id;
}

/** The keys a part's measure may be written in, the first that is there counts. */
const MEASURES = ['length', 'tip', 'fibre', 'diameter', 'turns', 'to'] as const;

/** A part's measure as the finished fly shows it, in figures and as the tier wrote it. */
function proportionOf(part: LaidPart, { length }: Saying, style: Style): SheetProportion {
  const written = part.file as Readonly<Record<string, unknown>>;
  const key = MEASURES.find((each) => written[each] !== undefined);
  const value = key === undefined ? undefined : written[key];
  const across = key === 'diameter' ? part.extent.lengths['diameter']?.mm : undefined;
  return {
    part: partName(part.file.id),
    figure: across === undefined ? length(part.extent.lengthMm) : `${length(across)} across`,
    relation:
      typeof value === 'string' ? relationWords(value) : typeof value === 'number' ? turnWords(value, style) : null,
  };
}

/** A piece is cut no shorter than it takes: whole mm, and fives from 100 mm on. */
export function cutWords(mm: number, { spoken }: Pick<Saying, 'spoken'>): string {
  const to = mm >= 100 ? 5 : 1;
  return spoken(Math.ceil(mm / to - 1e-9) * to);
}

/** What is in hand, thread first, then in the order it is tied in. */
function materialsOf(plan: TyingPlan, style: Style): SheetMaterial[] {
  const say = saying(style);
  const inHand = plan.steps
    .filter((step) => step.part !== null && step.inHand.length > 0)
    .map((step): SheetMaterial => ({
      part: partName(step.part ?? ''),
      words: step.inHand.join(', '),
      cut: step.cutMm === null ? null : cutWords(step.cutMm, say),
    }));
  const { breaksG } = plan.thread;
  const thread = plan.steps.find((step) => step.key === 'thread')?.inHand.join(', ') ?? '';
  return [
    {
      part: null,
      words: `thread, ${thread}; it breaks at about ${formatNumber(Math.round(breaksG / 10) * 10, 0, style)} g`,
      cut: Object.values(formatDepth(plan.threadMm, style)).join(' '),
    },
    ...inHand,
  ];
}

/** What it does in water and in the air, a line each. */
function doesOf(report: FlyReport, { mass }: Saying, style: Style): string[] {
  const { sink, weight, trim } = report;
  const nose = trim.noseDown_deg;
  const end = nose === null ? null : nose < 0 ? 'tail' : 'nose';
  return [
    verdictSentence(report, style),
    ...(nose === null || end === null ? [] : [`Falls ${end} first at ${formatAngle(Math.abs(nose), style)}°.`]),
    ...(sink ? [`Down 1 m in ${formatNumber(sink.timeTo1m_s ?? 0, 1, style)} s.`] : []),
    `Weighs ${mass(weight.dry_mg)} dry, ${mass(weight.casting_mg)} as it is cast.`,
  ];
}

/** The tying sheet of a solved fly, in a tier's units and with the spools of the drawer. @param beginner techniques are written out where they are first needed */
export function sheetOf(
  solved: SolvedFly,
  style: Style = METRIC,
  { threads }: Pick<Drawers, 'threads'> = NOMINAL_DRAWERS,
  { beginner = false }: { readonly beginner?: boolean } = {},
): TyingSheet {
  const { laid } = solved;
  const say = saying(style);
  const { length } = say;
  const plan = tyingPlan(laid, style, threads);
  return {
    name: laid.file.name,
    id: shortId(laid.file),
    hook: `${platformWords(laid.file.platform)}, shank ${length(laid.platform.shankMm)}${laid.platform.gapMm === null ? '' : `, gap ${length(laid.platform.gapMm)}`}`,
    notes: laid.file.notes ?? null,
    materials: materialsOf(plan, style),
    steps: beginner ? taught(plan.steps) : plan.steps,
    proportions: laid.parts
      .filter((part) => part.extent.lengthMm > 0 && part.file.construction !== 'coat')
      .map((part) => proportionOf(part, say, style)),
    does: doesOf(reportFly(solved), say, style),
    cautions: [
      ...new Set(
        plan.steps.flatMap((step) =>
          [step.caution ?? [], techniquesIn(step).flatMap(({ caution }) => caution ?? [])].flat(),
        ),
      ),
    ],
  };
}
