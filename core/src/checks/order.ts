import { be, causesIn, type Constraint, constraintsOf, type OrderCode, mended, partName } from '../tying/index.ts';
import { found, type Check, type Found } from './types.ts';

/** What a broken order is told as, and why it matters. */
const WORDS: Readonly<Record<OrderCode, readonly [words: (before: string, after: string) => string, reason: string]>> =
  {
    'order.bead': [
      (bead, after) => `the ${bead} ${be(bead)} put on after the ${after}: it can no longer be slid on`,
      'A bead or cone is slid on before anything is tied in its way: over a hook’s point, a shank’s open end, the front of a tube.',
    ],
    'order.weight': [
      (weight, after) => `the ${weight} ${be(weight)} wound after the ${after} that covers it`,
      'Weight lies under what covers it; wound over a body it slides and shows.',
    ],
    'order.eyes': [
      (eyes, after) =>
        `the ${eyes} are tied in after the ${after}, which is bound in front of them or wound round them`,
      'Eyes go on early where something is bound in front of them: the crossing turns need a bare shank.',
    ],
    'order.rear': [
      (rear, after) => `the ${rear} ${be(rear)} tied in after the ${after} that covers its tie-in`,
      'What is tied in at the rear is covered by the body; later it sits on the body as a bump.',
    ],
    'order.rib': [
      (rib, after) => `the ${rib} ${be(rib)} tied in after the ${after} it crosses`,
      'A rib is caught at the rear under the body and wound over it; tied in later its end has nothing to lie under.',
    ],
    'order.palmer': [
      (hackle, after) => `the ${hackle} begins at the rear and is tied in after the ${after}`,
      'A hackle wound from the rear is caught there by its tip before the body is wound.',
    ],
    'order.body': [
      (body, after) => `the ${after} ${be(after)} wound along the ${body} before that is there`,
      'A hackle from the front runs over the body: the body comes first.',
    ],
    'order.wing': [
      (before, wing) => `the ${wing} ${be(wing)} tied in before the ${before} ${be(before)} wound`,
      'A wing tied in first lies in the way of every turn behind it.',
    ],
    'order.layers': [
      (under, over) => `the ${over} ${be(over)} tied in before the ${under} that lies under it`,
      'Under-wing, wing, over-wing: each lies on the last.',
    ],
    'order.hackle': [
      (before, hackle) => `the ${hackle} ${be(hackle)} wound before the ${before} behind it`,
      'A collar or throat is wound in front of a finished body; otherwise the body is wound into its fibres.',
    ],
    'order.head': [
      (part, head) => `the ${part} ${be(part)} tied in after the ${head} ${be(head)} built`,
      'Nothing can be tied in once the head is built.',
    ],
    'order.cheek': [
      (before, cheek) => `the ${cheek} ${be(cheek)} put on before the ${before}`,
      'Cheeks come last, so that nothing pushes them aside.',
    ],
    'order.coat': [
      (part, coat) => `the ${coat} ${be(coat)} laid before the ${part} it covers`,
      'A coat lies on what is finished.',
    ],
    'order.piece': [
      (source, part) => `the ${part} goes on from the ${source}, which comes later`,
      'One piece with two jobs is tied in once: its first job comes first.',
    ],
  };

/** What a broken constraint is told as, and why it matters. */
export function orderWords({ code, before, after }: Constraint): { readonly words: string; readonly reason: string } {
  const [words, reason] = WORDS[code];
  return { words: words(partName(before), partName(after)), reason };
}

/** So many of one kind are told at once: whoever mends them sees the others then. */
const MOST_OF_ONE = 8;

/** The order of tying against what one part asks of another; the fix is the least change that mends it. */
export const ORDER: readonly Check[] = (Object.entries(WORDS) as [OrderCode, (typeof WORDS)[OrderCode]][]).map(
  ([code, [words, reason]]): Check => ({
    code,
    costs: code === 'order.layers' || code === 'order.cheek' ? 'looks' : 'strength',
    reason,
    limits: {},
    find: ({ laid }) => {
      const puts = code === 'order.bead' ? 'slide on' : 'tie in';
      const own = constraintsOf(laid).filter((each) => each.code === code);
      const ids = laid.parts.map((part) => part.file.id);
      return causesIn(own, ids)
        .slice(0, MOST_OF_ONE)
        .map(({ constraint, after }): Found => {
          const { before, must } = constraint;
          const part = laid.parts.find(({ file }) => file.id === before) ?? null;
          const [first = '', ...rest] = after;
          const all = rest.length === 0 ? partName(first) : `${partName(first)} and ${String(rest.length)} more`;
          return found(must ? 'warn' : 'note', part, words(partName(before), all), {
            parts: [before, ...after],
            fix: { words: `${puts} ${partName(before)} before ${partName(first)}`, file: mended(laid, constraint) },
          });
        });
    },
  }),
);
