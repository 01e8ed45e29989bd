import type { Finding } from './types.ts';

/** Whether a finding wants to be settled; a note is only worth knowing. */
export const wantsSettling = ({ severity }: Pick<Finding, 'severity'>): boolean => severity !== 'note';

/** The findings that are shown: those that cost looks only, where they are wished for. */
export const shownOf = (findings: readonly Finding[], looks: boolean): readonly Finding[] =>
  findings.filter((each) => looks || each.costs !== 'looks');
