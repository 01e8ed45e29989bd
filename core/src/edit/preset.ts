import type { WoundMaterial } from '../data/index.ts';
import type { Part } from '../pattern/index.ts';

/** A part as one starts it: every preset solves on any hook, whatever else is tied. */
export interface Preset {
  readonly name: string;
  readonly means: string;
  readonly part: Part;
  /** The only other materials it is begun in, where not every one of its construction makes it. */
  readonly solely?: readonly string[];
  /** Of something wound: the manners of what it is begun in. */
  readonly manners?: readonly WoundMaterial['manner'][];
}
