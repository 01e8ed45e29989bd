/** Millimetres in each unit of length that is written or shown. The inch and the foot are exact. */
export const MM_PER = { mm: 1, cm: 10, m: 1000, in: 25.4, ft: 304.8 } as const;

/** Milligrams in each unit of mass; the grain is exact. */
export const MG_PER = { mg: 1, g: 1000, gr: 64.79891 } as const;

/** mm/s in each unit of speed. */
export const MM_S_PER = { 'mm/s': 1, 'cm/s': 10, 'm/s': 1000, 'ft/s': MM_PER.ft } as const;
