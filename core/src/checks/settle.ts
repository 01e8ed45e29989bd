import type { Finding } from './types.ts';

/** Whether a finding wants to be settled; a note is only worth knowing. */
export const wantsSettling = ({ severity }: Pick<Finding, 'severity'>): boolean => severity !== 'note';

/** The findings that are shown: those that cost looks only, where they are wished for. */
export const shownOf = <T extends Pick<Finding, 'costs'>>(findings: readonly T[], looks: boolean): readonly T[] =>
  findings.filter((each) => looks || each.costs !== 'looks');

/** The findings that want settling, as they are kept with a fly and told when they come or go. */
export const toSettle = (findings: readonly Finding[]) =>
  findings.flatMap(({ code, severity, costs, message }) =>
    severity === 'note' ? [] : [{ code, severity, costs, message }],
  );
