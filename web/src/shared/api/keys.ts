/** What lists of the server are kept under in this window, where more than one view has them. */
export const OUTINGS = 'outings';
export const DRILLS = 'drills';
