/** The usual cautions, a line each; local rules and the label come first. */
export const CAUTIONS = {
  lead: 'Lead: wash your hands, keep it out of mouths; some waters ban it, look up the local rules.',
  superglue: 'Superglue: open a window, mind eyes and fingers.',
  resin: 'Resin: gloves, and glasses against the lamp.',
  epoxy: 'Epoxy: gloves, and open a window; it may make skin sore.',
  solvent: 'Solvent: open a window, no flame near.',
  coats: 'Varnish, resin and solvent: air, gloves, and glasses against the lamp.',
  blade: 'Blades: cut away from yourself.',
  pliers: 'Pliers under tension: mind your eyes.',
  points: 'Points: mind fingers and eyes.',
  barb: 'Points fly off: glasses on.',
  feathers: 'Feathers from legal sources only.',
} as const;
