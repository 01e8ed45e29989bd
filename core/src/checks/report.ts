import { type FlyReport, reportFly, type SolvedFly } from '../model/index.ts';
import { checkFly, type Checked, type CheckOptions } from './checkFly.ts';
import type { Costs, Severity } from './types.ts';

/** A find under the promised keys. */
export interface CheckReport {
  readonly code: string;
  readonly severity: Severity;
  readonly costs: Costs;
  readonly parts: readonly string[];
  readonly figure: number | null;
  readonly limit: number | null;
  readonly message: string;
  readonly reason: string;
  readonly fix: { readonly words: string } | null;
}

export const reportChecks = ({ findings }: Checked): CheckReport[] =>
  findings.map(({ code, severity, costs, parts, figure, limit, message, reason, fix }) => ({
    code,
    severity,
    costs,
    parts,
    figure,
    limit,
    message,
    reason,
    fix: fix && { words: fix.words },
  }));

/** What a fly comes to, and what is to be said of it. */
export const reportChecked = (
  solved: SolvedFly,
  options: CheckOptions = {},
): FlyReport & { readonly checks: readonly CheckReport[] } => ({
  ...reportFly(solved),
  checks: reportChecks(checkFly(solved, options)),
});
