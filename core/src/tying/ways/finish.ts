import type { FlyFile } from '../../pattern/index.ts';
import type { WayOption, WaysOf } from './types.ts';

type Coats = NonNullable<NonNullable<FlyFile['finish']>['coats']>;

const SEALS: readonly (WayOption & { readonly coats: Coats | undefined })[] = [
  { value: 'usual', words: 'sealed as you are used to', says: 'One thin coat; it is not weighed.', coats: undefined },
  { value: 'bare', words: 'left bare', says: 'Quick; the whip alone holds it.', coats: [] },
  { value: 'cement', words: 'cement', says: 'Soaks into the turns, stays thin and dull.', coats: ['cement'] },
  {
    value: 'superglue',
    words: 'superglue, then varnish',
    says: 'Hard at once; the varnish gives it a skin and a shine.',
    coats: ['superglue', 'varnish'],
  },
  {
    value: 'varnish',
    words: 'varnish, three coats',
    says: 'Deep and smooth; an hour between coats.',
    coats: ['varnish', 'varnish', 'varnish'],
  },
  {
    value: 'resin',
    words: 'resin',
    says: 'Thick and clear in seconds; larger, and it wants the lamp.',
    coats: ['resin'],
  },
  {
    value: 'epoxy',
    words: 'epoxy',
    says: 'Thick and clear without a lamp; it turns until it no longer runs, and is hard after half an hour.',
    coats: ['epoxy'],
  },
];

const WHIPS: readonly WayOption[] = [
  { value: '1', words: 'once', says: 'Enough where the head is glued.' },
  { value: '2', words: 'twice', says: 'Holds without glue; a little more head.' },
  {
    value: 'between',
    words: 'twice, varnish between',
    says: 'The second whip draws the varnish into the first: nothing holds longer; it must dry before it is sealed.',
  },
];

const whipsNow = ({ finish }: FlyFile): string =>
  finish?.varnishBetween === true && (finish.whips ?? 1) > 1 ? 'between' : String(finish?.whips ?? 1);

/** Whips and what seals the head. */
export const finishWays: WaysOf = ({ file }) => {
  const coats = file.finish?.coats;
  const seal = SEALS.find((each) => each.coats?.join() === coats?.join());
  return [
    {
      key: 'whips',
      words: 'whipped',
      now: whipsNow(file),
      options: WHIPS,
      take: (value) => {
        const { varnishBetween: _, ...rest } = file.finish ?? {};
        const between = value === 'between';
        return {
          ...file,
          finish: { ...rest, whips: between ? 2 : Number(value), ...(between ? { varnishBetween: true } : {}) },
        };
      },
    },
    {
      key: 'seal',
      words: 'head',
      now: seal?.value ?? 'own',
      options: seal ? SEALS : [...SEALS, { value: 'own', words: (coats ?? []).join(', '), says: 'As it is written.' }],
      take: (value) => {
        const { coats: before, ...rest } = file.finish ?? {};
        const taken = SEALS.find((each) => each.value === value);
        const after = taken ? taken.coats : before;
        return { ...file, finish: after === undefined ? rest : { ...rest, coats: [...after] } };
      },
    },
  ];
};
