/** What a group is called by. */
export const BY_WORDS = {
  fly: 'by fly',
  version: 'by version of a fly',
  ride: 'by how it rides',
  weight: 'by weight under water',
  silhouette: 'by silhouette, from the side',
  slenderness: 'by how slender it is from the side',
  colour: 'by colour',
  depth: 'by depth, as Water has it',
  manner: 'by manner',
  hand: 'by hand',
  light: 'by light',
  level: 'by the level of the gauge',
  temperature: 'by the temperature of the water',
  run: 'by the run of fish',
  clarity: 'by how clear it was',
} as const;

/** What a date one set is. */
export const SORT_WORDS = { run: 'a run of fish', season: 'a season', trip: 'a trip' } as const;

/** What came to a fly at one moment. */
export const EVENT_WORDS = {
  touch: 'a touch',
  take: 'a take',
  landed: 'landed',
  lost: 'the fly lost',
  fouled: 'fouled',
  damaged: 'damaged',
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
