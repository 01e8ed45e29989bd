/** Ids with one of them so many places later; null where it would leave the list. */
export function shiftedBy(ids: readonly string[], id: string, by: number): string[] | null {
  const to = ids.indexOf(id) + by;
  if (!ids.includes(id) || to < 0 || to >= ids.length) return null;
  const others = ids.filter((each) => each !== id);
  return [...others.slice(0, to), id, ...others.slice(to)];
}
