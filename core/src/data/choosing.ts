/** What a tier looks for when he picks a thing out of its packet, and what is done to it before it is cut: by what it is taken for. Judgement. */
export interface Choosing {
  readonly lookFor: string;
  readonly first?: string;
  /** What is left of it that serves as dubbing. */
  readonly leaves?: string;
  /** What of a long one is left for a smaller fly. */
  readonly smaller?: string;
}

export const CHOOSING: Readonly<Record<string, Choosing>> = {
  hook: { lookFor: 'a point that catches on the nail, an eye that is closed' },
  strip: {
    lookFor: 'thin skin, hair as long on either edge',
    first: 'wash and dry a greasy hide',
    leaves: 'hair off the ends of the hide',
  },
  hair: {
    lookFor: 'straight hair with its tips, none broken',
    first: 'wash it, comb out underfur and short base hair',
    leaves: 'underfur and short base hair',
  },
  plume: {
    lookFor: 'even fluff to the tip, a thin stem',
    leaves: 'short fluff at the foot of the stem',
    smaller: 'the tip',
  },
  hackle: {
    lookFor: 'webby for a wet collar, stiff where it must not fold',
    leaves: 'fluff at the foot of the stem',
    smaller: 'the tip',
  },
  feather: { lookFor: 'one left and one right of one skin, whole at the edge', first: 'steam what is bent' },
  spun: {
    lookFor: 'coarse, straight and hollow, cut close at the hide',
    first: 'comb out the underfur',
    leaves: 'underfur',
  },
  dubbing: { lookFor: 'no guard hair where it goes on thread' },
  sheet: { lookFor: 'no creases' },
};
