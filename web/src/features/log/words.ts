import { dayMinutes } from '@jobbet/core/records';

/** A day as it is said: 12 October 2026. */
export function dayOf(date: string): string {
  const minutes = dayMinutes(date);
  return Number.isFinite(minutes)
    ? new Date(minutes * 60_000).toLocaleDateString('en-GB', {
        day: 'numeric',
        month: 'long',
        year: 'numeric',
        timeZone: 'UTC',
      })
    : date;
}

/** What a group is called by. */
export const BY_WORDS = {
  fly: 'by fly',
  ride: 'by how it rides',
  weight: 'by weight under water',
  silhouette: 'by silhouette, from the side',
  colour: 'by colour',
  depth: 'by depth, as Water has it',
  manner: 'by manner',
  hand: 'by hand',
  light: 'by light',
  level: 'by the level of the gauge',
  clarity: 'by how clear it was',
} as const;

/** How a fly was lost, as it is said. */
export const LOST_WORDS = {
  bed: 'on the bed',
  fish: 'on a fish',
  wood: 'in a tree',
  knot: 'at the knot',
  unraveled: 'came unravelled',
  hook: 'by its hook',
} as const;
