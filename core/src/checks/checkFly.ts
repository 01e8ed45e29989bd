import { named, NOMINAL_DRAWERS, type Drawers, type LimitItem, type SchoolItem } from '../drawers/index.ts';
import { SLOTS } from '../data/index.ts';
import { parseLength, parsePosition, type FlyFile } from '../pattern/index.ts';
import { bad, good, type Fault, type Outcome, suggestion } from '../base/index.ts';
import { solveFly, type SolvedFly } from '../model/index.ts';
import { BALANCE, TURNS } from './balance.ts';
import { BUILD } from './build.ts';
import { BULK, SIDE } from './bulk.ts';
import { LENGTH } from './length.ts';
import { ORDER as TYING_ORDER } from './order.ts';
import { oneCause } from './oneCause.ts';
import { RULES } from './rules.ts';
import { standing, type Standing } from './standing.ts';
import { SALT, STRENGTH } from './strength.ts';
import type { Check, Finding, Severity } from './types.ts';

/** Every check there is. */
export const CHECKS: readonly Check[] = [
  ...LENGTH,
  ...SIDE,
  ...BULK,
  ...BUILD,
  ...STRENGTH,
  ...BALANCE,
  ...TURNS,
  ...SALT,
  ...RULES,
  ...TYING_ORDER,
];

export interface CheckOptions {
  /** What it is solved with; schools, rules in force and limits lie there too. */
  readonly drawers?: Drawers;
}

export interface Checked {
  readonly findings: readonly Finding[];
  /** What the fly mutes, with the reason that was given. */
  readonly muted: readonly (Finding & { readonly muteReason: string })[];
}

const ORDER: Readonly<Record<Severity, number>> = { stop: 0, warn: 1, note: 2 };

/** What every check finds, each by itself. Stops come first, notes last; within them the order of the checks. */
export function findingsOf(solved: SolvedFly, options: CheckOptions = {}): readonly Finding[] {
  const { drawers = NOMINAL_DRAWERS } = options;
  const { rules, limits } = drawers;
  const { laid } = solved;
  const { file } = laid;
  const school = file.school === undefined ? null : named(drawers.schools, file.school);
  const stands = new Map<string, Standing | null>();
  /** Each part's standing is asked by several checks and takes a fly to be laid. */
  const standingOf = (id: string): Standing | null => {
    const known = stands.get(id);
    if (known !== undefined) return known;
    const made = school && standing(laid, id, school, drawers);
    stands.set(id, made);
    return made;
  };
  const all = CHECKS.flatMap((check): Finding[] => {
    const limit = (key: string): number => {
      const own = limits[`${check.code}.${key}`] ?? check.limits[key]?.value;
      if (own === undefined) throw new Error(`${check.code} has no limit "${key}"`);
      return own;
    };
    const fly = { solved, laid, file, drawers, standing: standingOf, rules, limit };
    return check.find(fly).map((each) => ({ ...each, code: check.code, costs: check.costs, reason: check.reason }));
  });
  return all.toSorted((a, b) => ORDER[a.severity] - ORDER[b.severity]);
}

/** Looks a solved fly over: what is to be said of it, one finding for one cause, and what it mutes. */
export function checkFly(solved: SolvedFly, options: CheckOptions = {}): Checked {
  const { file } = solved.laid;
  const mutes = new Map((file.mutes ?? []).map((mute) => [mute.code, mute.reason]));
  const sorted = findingsOf(solved, options);
  return {
    findings: oneCause(
      file,
      sorted.filter((each) => !mutes.has(each.code)),
    ),
    muted: sorted.flatMap((each) => {
      const muteReason = mutes.get(each.code);
      return muteReason === undefined ? [] : [{ ...each, muteReason }];
    }),
  };
}

/** Mutes a check on a fly. @returns a fault when no reason is given */
export function withMute(file: FlyFile, code: string, reason: string): Outcome<FlyFile> {
  const plain = reason.trim();
  if (plain === '') return bad({ path: 'mutes', code: 'missing', message: 'say why it does not matter on this fly' });
  const others = (file.mutes ?? []).filter((mute) => mute.code !== code);
  return good({ ...file, mutes: [...others, { code, reason: plain }] });
}

/** Lets a muted check speak again. */
export function withoutMute(file: FlyFile, code: string): FlyFile {
  const { mutes = [], ...rest } = file;
  const left = mutes.filter((mute) => mute.code !== code);
  return left.length === 0 ? rest : { ...rest, mutes: left };
}

/** Solves and looks over in one. */
export function checkFile(file: FlyFile, options: CheckOptions = {}): Outcome<Checked> {
  const solved = solveFly(file, options.drawers);
  return solved.ok ? good(checkFly(solved.value, options)) : solved;
}

/** The limits of all checks as items of a drawer, each under its check's code and its own key. */
export const NOMINAL_LIMITS: readonly LimitItem[] = CHECKS.flatMap((check) =>
  Object.entries(check.limits).map(([key, { value, means }]) => ({ name: `${check.code}.${key}`, value, note: means })),
);

/** What a school's words do not read as, by the slot; none for a sound one. */
export function schoolFaults(school: SchoolItem): Fault[] {
  return [...SLOTS, 'headSpace' as const].flatMap((slot) =>
    (school[slot]?.split(' or ') ?? []).flatMap((rule): Fault[] => {
      const [length, position] = [parseLength(rule), parsePosition(rule)];
      if (length.ok || position.ok) return [];
      return [{ path: slot, code: 'syntax', message: length.fault.message }];
    }),
  );
}

/** What is wrong with a limit: a name that no check has. */
export function limitFaults({ name }: LimitItem): Fault[] {
  const names = NOMINAL_LIMITS.map((each) => each.name);
  return names.includes(name)
    ? []
    : [{ path: 'name', code: 'unknown-name', message: `no check has the limit "${name}"${suggestion(name, names)}` }];
}
