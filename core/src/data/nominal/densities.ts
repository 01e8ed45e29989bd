/** Densities of what fibres are of, mg/mm³. Handbook figures; keratin as it is when soaked. */
export const KERATIN = 1.31;
export const POLYESTER = 1.39;
export const POLYPROPYLENE = 0.91;
export const RUBBER = 1.1;
