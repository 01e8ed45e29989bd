import fc from 'fast-check';
import type { LaidFly } from '../src/model/solve/layFly.ts';
import { body, collar, eyes, feathers, laid, sheet, spunHead, strip, tail, wing, without } from './build.ts';

export type Loose = Record<string, unknown>;
export const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
export const mm = (value: number): string => `${value.toFixed(9)} mm`;

const onHook = fc.record({
  kind: fc.constantFrom('single', 'double', 'jig'),
  size: fc.constantFrom('2', '4', '6', '8', '1/0'),
  longX: fc.integer({ min: -1, max: 5 }),
  heavyX: fc.integer({ min: -1, max: 2 }),
  bend: fc.constantFrom('round', 'sproat', 'limerick', 'wide-gap', 'continuous'),
});
/** A continuous curve is a single's; a jig's eye stands as its front is bent. */
const withEye = fc
  .tuple(onHook, fc.constantFrom('straight', 'up', 'down', 'looped-up', 'looped-down'))
  .map(([hook, eye]): Loose => {
    const bend = hook.kind !== 'single' && hook.bend === 'continuous' ? 'round' : hook.bend;
    return hook.kind === 'jig' ? { ...hook, bend, bendUp: '90 deg' } : { ...hook, bend, eye };
  });
const hookBehind = fc.option(
  fc.record({
    kind: fc.constantFrom('single', 'double'),
    size: fc.constantFrom('4', '6', '8'),
    ride: fc.constantFrom('point-down', 'point-up', 'free'),
  }),
);
const onBody = fc
  .tuple(fc.constantFrom('tube', 'shank'), number(18, 45), hookBehind)
  .map(([kind, length, hook]): Loose => ({ kind, length: mm(length), ...(hook ? { hook } : {}) }));
/** Any platform with a hook of its own, and any at all. */
export const anyHook = withEye;
export const anyPlatform = fc.oneof({ weight: 3, arbitrary: withEye }, { weight: 2, arbitrary: onBody });
export const anyParts = fc
  .record({
    eyes: fc.option(
      fc.record({
        diameter: number(2.5, 5.5),
        station: number(1, 4),
        side: fc.constantFrom('top', 'bottom'),
        material: fc.constantFrom('brass', 'tin', 'tungsten', 'plastic'),
      }),
    ),
    tail: fc.option(
      fc.record({
        pinch: number(1, 3),
        length: number(8, 50),
        side: fc.constantFrom('top', 'bottom', 'near', 'both', 'around'),
      }),
    ),
    body: fc.option(number(1.5, 6)),
    strip: fc.option(number(2, 4)),
    collar: fc.option(number(4, 12)),
    wing: fc.option(number(10, 50)),
    feathers: fc.option(
      fc.record({
        form: fc.constantFrom('pair', 'slips', 'tips', 'single'),
        lie: fc.constantFrom('flat', 'tented', 'sides', 'along-back'),
        length: number(10, 45),
      }),
    ),
    spun: fc.option(fc.record({ diameter: number(5, 12), lean: number(-1, 1), flatBelow: fc.boolean() })),
    case: fc.option(number(2, 6)),
    discs: fc.option(fc.constantFrom('near', 'far', 'both')),
    coat: fc.option(fc.constantFrom('varnish', 'resin')),
  })
  .map((given): Loose[] => [
    ...(given.eyes
      ? [
          eyes({
            diameter: mm(given.eyes.diameter),
            at: `station ${given.eyes.station.toFixed(3)}`,
            side: given.eyes.side,
            material: given.eyes.material,
          }),
        ]
      : []),
    ...(given.tail
      ? [tail({ pinch: mm(given.tail.pinch), length: mm(given.tail.length), side: given.tail.side })]
      : []),
    ...(given.body === null ? [] : [body({ diameter: mm(given.body) })]),
    ...(given.strip === null ? [] : [strip({ width: mm(given.strip) })]),
    ...(given.collar === null ? [] : [collar({ fibre: mm(given.collar) })]),
    ...(given.wing === null ? [] : [wing({ length: mm(given.wing) })]),
    ...(given.feathers ? [feathers({ ...given.feathers, length: mm(given.feathers.length) })] : []),
    ...(given.spun ? [spunHead({ ...given.spun, diameter: mm(given.spun.diameter) })] : []),
    ...(given.case === null ? [] : [sheet({ width: mm(given.case) })]),
    ...(given.discs === null
      ? []
      : [without(eyes({ id: 'discs', shape: 'disc', at: 'station 1', side: given.discs }), 'material')]),
    ...(given.coat && given.tail
      ? [{ id: 'coat', role: 'finish', construction: 'coat', material: given.coat, over: 'tail' }]
      : []),
  ]);
export const anyFly = fc.tuple(anyPlatform, anyParts).map(([platform, parts]) => ({ platform, parts }));

/** Lays a made-up fly out. @throws where it cannot be laid */
export const lay = ({ platform, parts }: { platform: Loose; parts: Loose[] }): LaidFly => laid(parts, { platform });
/** Within a share of what is wanted, or of one. */
export const near = (got: number, want: number, share = 1e-6): void => {
  expect(Math.abs(got - want)).toBeLessThanOrEqual(share * Math.max(Math.abs(want), 1));
};
