/** The decimal sign this browser's language writes. */
export const decimalOfBrowser = (language: string = navigator.language): '.' | ',' =>
  new Intl.NumberFormat(language).formatToParts(1.5).find(({ type }) => type === 'decimal')?.value === ',' ? ',' : '.';
