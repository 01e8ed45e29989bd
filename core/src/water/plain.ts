/** A length, a speed or a time with its unit, somewhere in a text. */
const QUANTITY = String.raw`\d[\d.,/ ]*\s*(?:[a-zA-Z"″]+(?:\/s)?)`;
const of = (pattern: string): RegExp => new RegExp(`^${pattern.replaceAll('Q', `(${QUANTITY})`)}$`, 'i');

const TIP = of(String.raw`(?:a )?sink[- ]tip of Q,? (?:sinking )?Q`);
const SINKING = of(String.raw`(?:a line )?sinking Q`);
const PULL = of(String.raw`Q at Q,? (?:then )?(?:pause|wait) Q`);
const LIFT = of(String.raw`Q every Q`);
const PIECE = of(String.raw`Q of Q(?: (nylon|fluorocarbon))?`);

/** The parts of a text that reads as a sentence, as the short way of writing has them; the text itself where it does not. */
function short(text: string, pattern: RegExp, before = ''): string {
  const parts = pattern
    .exec(text.trim())
    ?.slice(1)
    .filter((each) => (each as string | undefined) !== undefined);
  return parts ? [before, ...parts.map((each) => each.trim())].filter((each) => each !== '').join(':') : text;
}

/** A line in words, `sink tip of 3 m, 75 mm/s` or `sinking 75 mm/s`, in the short way. */
export const shortLine = (text: string): string => {
  const tip = short(text, TIP, 'sink-tip');
  return tip === text ? short(text, SINKING, 'sinking') : tip;
};

/** A leader in words, `1.8 m of 0.4 mm nylon, 0.9 m of 0.25 mm fluorocarbon`, in the short way. */
export const shortLeader = (text: string): string =>
  text
    .split(/,\s+|,(?=\d*\.?\d+ ?[a-z])| then /i)
    .map((piece) => short(piece, PIECE))
    .join(',');

/** Pulls in words, `0.3 m at 0.6 m/s, pause 1 s`, and lifts, `0.5 m every 2 s`, in the short way. */
export const shortPull = (text: string): string => short(text, PULL);
export const shortLift = (text: string): string => short(text, LIFT);
