import { inShort, plainly } from '../drawers/index.ts';

const TIP = plainly(String.raw`(?:a )?sink[- ]tip of Q,? (?:sinking )?Q`);
const SINKING = plainly(String.raw`(?:a line )?sinking Q`);
const PULL = plainly(String.raw`Q at Q,? (?:then )?(?:pause|wait) Q`);
const LIFT = plainly(String.raw`Q every Q`);

/** A line in words, `sink tip of 3 m, 75 mm/s` or `sinking 75 mm/s`, in the short way. */
export const shortLine = (text: string): string => {
  const tip = inShort(text, TIP, 'sink-tip');
  return tip === text ? inShort(text, SINKING, 'sinking') : tip;
};

/** Pulls in words, `0.3 m at 0.6 m/s, pause 1 s`, and lifts, `0.5 m every 2 s`, in the short way. */
export const shortPull = (text: string): string => inShort(text, PULL);
export const shortLift = (text: string): string => inShort(text, LIFT);
