import { z } from 'zod';
import { firstKind } from '../document/index.ts';
import { clock, day, quantity } from './measures.ts';

/** A day, or some hours of one, on the water: what it was like, which flies were fished, what came to them and what was lost. */
const MOST_RODS = 60;
const MOST_EVENTS = 200;
const MOST_LANDED = 100;
const MOST_PHOTOS = 12;

const count = (meaning: string) => z.int().min(0).max(1000).describe(meaning);
const words = (most: number) => z.string().min(1).max(most);

export const LOSSES = ['bed', 'fish', 'wood', 'knot', 'unraveled', 'hook'] as const;
export type Loss = (typeof LOSSES)[number];
export const EVENTS = ['touch', 'take', 'landed', 'lost', 'fouled', 'damaged'] as const;
export const LIGHTS = ['bright', 'dull', 'dusk', 'dark'] as const;
export const TRENDS = ['rising', 'steady', 'falling'] as const;
const LUX = /^\d+([.,]\d+)? ?k?lx$/;

const event = z.strictObject({
  at: clock('when'),
  what: z.enum(EVENTS),
  how: words(80).describe('of what is lost how, of what fouled about what').optional(),
  part: words(80).describe('the part of the fly, by its id').optional(),
  note: words(2000).optional(),
});

const rod = z
  .strictObject({
    fly: words(200).describe('a fly of the box, by its id or name').optional(),
    specimen: words(200).describe('a finished fly').optional(),
    revision: z.int().min(1).describe('of the fly, as it was fished').optional(),
    pattern: z.record(z.string(), z.unknown()).describe('the pattern it was tied by').optional(),
    hand: words(80).describe('who tied it').optional(),
    line: words(200).optional(),
    leader: words(300).optional(),
    manner: words(40).optional(),
    count: quantity('time', 'the count').optional(),
    from: clock('this fly was put on').optional(),
    to: clock('it was taken off').optional(),
    casts: count('casts').optional(),
    touches: count('touches that did not hold').optional(),
    takes: count('takes, landed or not').optional(),
    landed: z
      .array(
        z.strictObject({
          length: quantity('length', 'length').optional(),
          weight: quantity('mass', 'weight').optional(),
          kept: z.boolean().optional(),
        }),
      )
      .max(MOST_LANDED)
      .optional(),
    lost: z
      .array(z.strictObject({ how: z.enum(LOSSES) }))
      .max(MOST_LANDED)
      .optional(),
    fouled: count('how often it fouled').optional(),
    events: z.array(event).max(MOST_EVENTS).optional(),
    seen: words(4000).describe('what was seen of it').optional(),
    note: words(4000).optional(),
  })
  .superRefine(({ fly, specimen }, into) => {
    if (fly === undefined && specimen === undefined)
      into.addIssue({ code: 'custom', path: ['fly'], message: 'say which fly it was' });
  });

export const outingSchema = z.strictObject({
  format: z.literal('jobbet.outing'),
  version: z.literal(1),
  date: day('the day'),
  from: clock('it began'),
  to: clock('it ended; earlier than it began: after midnight'),
  beat: words(200),
  gauge: z
    .strictObject({
      level: quantity('length', 'level').optional(),
      temperature: quantity('temperature', 'temperature of water').optional(),
      trend: z.enum(TRENDS).optional(),
    })
    .optional(),
  clarity: quantity('length', 'depth at which a white disc is lost').optional(),
  light: z
    .union([z.enum(LIGHTS), z.string().regex(LUX, 'bright, dull, dusk, dark, or as "9 klx"')])
    .describe('how light it was')
    .optional(),
  hand: words(80).describe('who fished').optional(),
  rods: z.array(rod).max(MOST_RODS),
  note: words(20_000).optional(),
  photos: z.array(words(400)).max(MOST_PHOTOS).optional(),
  simulated: z.boolean().describe('made up, nobody fished it').optional(),
});
export type OutingFile = z.infer<typeof outingSchema>;
export type Rod = OutingFile['rods'][number];

export const OUTING_KIND = firstKind('outing', outingSchema);
