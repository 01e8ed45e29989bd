/** With a capital. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** As a sentence: with a capital, and a stop where it has none. */
export const sentence = (words: string): string => `${capital(words)}${/[.?!]$/.test(words) ? '' : '.'}`;
