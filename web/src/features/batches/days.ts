/** A day as this browser writes it, with its weekday: `Tue 10 Mar`. @param day `2026-03-10` */
export const dayWords = (day: string): string =>
  new Date(`${day}T12:00`).toLocaleDateString(undefined, { weekday: 'short', day: 'numeric', month: 'short' });
