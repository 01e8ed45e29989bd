import type { Style } from '../../units/index.ts';
import type { LaidFly } from '../../model/index.ts';
import type { Why } from './types.ts';
import { whyCentres, whyHeel, whyKeel, whySlack, whyTipping, whyWeights } from './keelWhys.ts';
import { whyDepth, whyDroop, whyHolds, whySilhouette, whySink, whyTrim } from './waterWhys.ts';

const WHYS = {
  heel: whyHeel,
  slack: whySlack,
  keel: whyKeel,
  tipping: whyTipping,
  weights: whyWeights,
  centres: whyCentres,
  holds: whyHolds,
  trim: whyTrim,
  sink: whySink,
  depth: whyDepth,
  droop: whyDroop,
  silhouette: whySilhouette,
} as const;

/** The figures that can be asked for. */
export type Asked = keyof typeof WHYS;
export const ASKED = Object.keys(WHYS) as readonly Asked[];

/** Why a figure of a fly is what it is, in a tier's units. */
export const whyOf = (asked: Asked, laid: LaidFly, style: Style): Why => WHYS[asked](laid, style);
