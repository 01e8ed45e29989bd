import { z } from 'zod';
import { ORDER } from '../src/checks/order.ts';
import { CHECKS } from '../src/checks/checkFly.ts';
import {
  BATCH_MINUTES,
  BUNDLE_MINUTES,
  dryMinutes,
  GLOSSARY,
  MINUTES,
  PART_MINUTES,
  SCHOOLS,
  SLOTS,
  TECHNIQUES,
} from '../src/data/index.ts';
import { wordsIn } from '../src/base/index.ts';
import { partSchema } from '../src/pattern/parts.ts';
import { told, type Rows } from './page.ts';

const COAT_NAMES = ['superglue', 'cement', 'varnish', 'resin', 'epoxy'];

/** What the page of the craft tells of the code. */
export const CRAFT: readonly (readonly [head: string, rows: Rows])[] = [
  [
    'school, for, head, head space',
    SCHOOLS.map((each) => told(each.name, each.means, each.head ?? '', each.headSpace ?? '')),
  ],
  [
    'school, slot, relation, why',
    SCHOOLS.flatMap((each) =>
      SLOTS.flatMap((slot) =>
        each[slot] === undefined ? [] : [told(each.name, slot, each[slot] ?? '', each[`${slot}Why`] ?? '')],
      ),
    ),
  ],
  [
    'check, costs, limits, why',
    CHECKS.filter(({ code }) => !code.startsWith('order.')).map((each) =>
      told(
        each.code,
        each.costs,
        Object.entries(each.limits)
          .map(([key, { value, means }]) => `${key} ${String(value)}: ${means}`)
          .join('; '),
        each.reason,
      ),
    ),
  ],
  ['order, costs, why', ORDER.map((each) => told(each.code, each.costs, each.reason))],
  [
    'technique, how, goes wrong, right when',
    TECHNIQUES.map(({ name, how, wrong, see }) => told(name, how, wrong, see)),
  ],
  [
    'what, minutes',
    [
      ...Object.entries(MINUTES).map(([what, minutes]) => told(`step: ${what}`, String(minutes))),
      ...Object.entries(PART_MINUTES).map(([what, minutes]) => told(`part: ${what}`, String(minutes))),
      ...Object.entries(BUNDLE_MINUTES).map(([what, minutes]) => told(`bundle of ${what}`, String(minutes))),
      ...Object.entries(BATCH_MINUTES).map(([what, minutes]) => told(`batch: ${what}`, String(minutes))),
      ...COAT_NAMES.flatMap((coat) =>
        [1, 2, 3].map((nth) => told(`${coat}, coat ${String(nth)}, dries`, String(dryMinutes(coat, nth)))),
      ),
    ],
  ],
  ['said, means', GLOSSARY.map(([said, means]) => told(said, means))],
];

const COMMON = ['id', 'role', 'construction', 'material', 'colour', 'side', 'continues', 'note'];

/** What a key takes, in short: its words, else what it means. */
function takes(schema: unknown): string {
  const inner = schema instanceof z.ZodOptional ? schema.unwrap() : schema;
  const words = wordsIn(inner)
    .map((word) => `\`${word}\``)
    .join(', ');
  const means = (schema as z.ZodType).description ?? (inner as z.ZodType).description ?? '';
  if (words !== '' && means !== '') return `${means}: ${words}`;
  if (words !== '' || means !== '') return words + means;
  return inner instanceof z.ZodBoolean ? '`true`, `false`' : inner instanceof z.ZodNumber ? 'a number' : 'a name';
}

/** What the page of the pattern file tells of the code. */
export const PATTERN_FILE: readonly (readonly [head: string, rows: Rows])[] = [
  [
    'construction, key, takes',
    partSchema.options.flatMap(({ shape }) =>
      Object.entries(shape)
        .filter(([key]) => !COMMON.includes(key))
        .map(([key, schema]) => told(shape.construction.value, `\`${key}\``, takes(schema))),
    ),
  ],
];
