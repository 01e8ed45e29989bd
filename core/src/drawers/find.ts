/** The item of a name or of another name it goes by, case ignored. */
export function named<T extends { readonly name: string; readonly also?: readonly string[] | undefined }>(
  items: readonly T[],
  word: string,
): T | null {
  const plain = word.trim().toLowerCase();
  return (
    items.find((each) => each.name.toLowerCase() === plain) ??
    items.find((each) => each.also?.some((other) => other.toLowerCase() === plain) === true) ??
    null
  );
}
