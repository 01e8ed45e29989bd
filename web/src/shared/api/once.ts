import { dequal } from 'dequal';

/** So many that had no answer are remembered. */
const MOST = 50;
const NAME_BYTES = 16;

const newName = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(NAME_BYTES)), (byte) => byte.toString(16).padStart(2, '0')).join('');

/**
 * Lays things down by names of their own. What was sent and not confirmed goes by the same name when it is sent again, so that it is laid down
 * once though its answer was lost on the way.
 * @param send lays one down by a name
 */
export function laidOnce<T, A>(send: (thing: T, sentAs: string) => Promise<A>): (thing: T) => Promise<A> {
  let unconfirmed: readonly { readonly thing: T; readonly sentAs: string }[] = [];
  return async (thing) => {
    const sentAs = unconfirmed.find((each) => dequal(each.thing, thing))?.sentAs ?? newName();
    unconfirmed = [...unconfirmed.filter((each) => each.sentAs !== sentAs), { thing, sentAs }].slice(-MOST);
    const answer = await send(thing, sentAs);
    unconfirmed = unconfirmed.filter((each) => each.sentAs !== sentAs);
    return answer;
  };
}
