import { ASKS_G, RISKY_SHARE, TRUSTED_SHARE } from '../data/index.ts';
import type { LaidPart } from '../model/index.ts';
import { isPair } from './constraints.ts';
import type { Thread } from './threadOf.ts';

/** How hard the thread is drawn for a part, grams of force; null where it holds nothing. Judgement, see `ASKS_G`. */
export function asksG(part: LaidPart): number | null {
  const { file, built } = part;
  switch (file.construction) {
    case 'ball':
      return isPair(part) ? ASKS_G.eyes : null;
    case 'bundle': {
      const form = built.forms[0];
      return form?.kind === 'bundle' && form.manner === 'hair' ? ASKS_G.hair : ASKS_G.soft;
    }
    case 'feather':
      return ASKS_G.feather;
    case 'strip':
      return ASKS_G.hide;
    case 'hackle':
      return ASKS_G.hackle;
    case 'wrap':
      return file.role === 'underbody' ? ASKS_G.wire : ASKS_G.strand;
    case 'sheet':
      return ASKS_G.sheet;
    case 'spun':
      return ASKS_G.spun;
    case 'coat':
      return null;
  }
}

/** How a step stands with the thread: it bears it, bears it with a half hitch before, or is asked for too much. */
export function bears(askedG: number, { breaksG }: Thread): 'well' | 'barely' | 'not' {
  const share = askedG / breaksG;
  return share > TRUSTED_SHARE ? 'not' : share > RISKY_SHARE ? 'barely' : 'well';
}
