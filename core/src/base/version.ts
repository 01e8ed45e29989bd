/** The version of the whole application. */
export const VERSION = '0.1.0';

/** Raised whenever the same file comes to other figures or findings, so that kept ones are computed anew. */
export const MODEL = 6;
