const NTH = ['', 'first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth'];

/** A part as it is spoken of: without dashes, a number told as the how-manieth. @example partName('tail-2') // 'second tail' */
export function partName(id: string): string {
  const plain = id.replaceAll('-', ' ').replace(/([a-z])(\d+)$/i, '$1 $2');
  const [, words = '', digit = ''] = /^(.*?) ?([2-9])$/.exec(plain) ?? [];
  return words === '' ? plain : `${NTH[Number(digit)] ?? ''} ${words}`;
}

/** With a capital, as a heading. @example partTitle('over-wing') // 'Over wing' */
export function partTitle(id: string): string {
  const name = partName(id);
  return name.charAt(0).toUpperCase() + name.slice(1);
}
