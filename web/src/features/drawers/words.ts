import type { DrawerName } from '@jobbet/core/drawers';

/** What one more of a drawer is called. */
export const ONE: Readonly<Record<DrawerName, string>> = {
  hooks: 'packet',
  weights: 'weight',
  materials: 'material',
  threads: 'thread',
  lines: 'line',
  leaders: 'leader',
  floats: 'float',
  schools: 'school',
  rules: 'water’s rules',
  limits: 'limit',
};

/** The usual caution of a drawer, or what is to be known of it, in a line. */
export const CAUTION: Readonly<Record<DrawerName, string>> = {
  hooks: 'Hooks: keep points covered, close the jaws of the caliper beside the barb and not on the point.',
  weights:
    'Lead: wash hands after handling, keep it out of mouths, and look up whether your water allows it; local rules come first.',
  materials: 'Cement, varnish, resin and superglue want air and gloves; keep them from flame and follow their labels.',
  lines: 'A rate is what it sinks at lying level, as it is sold; Water fishes flies on what lies here.',
  leaders: 'Tippet that is left lying outlives what it is wound about: take it home.',
  floats: 'A float bears the fly and what hangs below it.',
  schools:
    'People disagree: copy a school and make it yours. A rule is a relation, or two parted by or; flies that follow it can be told to follow again.',
  rules:
    'What you write here is held against every fly while it is in force. The real rules of a water are yours to look up.',
  limits: 'Limits are judgement, to be argued with. Removed, a limit is as usual again.',
  threads: 'Gel-spun thread cuts skin: hold it by the bobbin when pulling hard.',
};
