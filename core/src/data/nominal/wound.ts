import type { WoundMaterial } from '../materials.ts';
import { KERATIN, POLYESTER } from './densities.ts';

/** None of these figures is measured: they are judgement, chosen so that masses and sinking speeds come out plausible; measured ones replace them. */
/** Wound: solid share of the envelope, mg/mm³, opacity, water, softness. */
type Figures = readonly [solid: number, density: number, opacity: number, water: number, softness: number];
type Lies = Pick<WoundMaterial, 'flatMm' | 'thickMm' | 'coreMm' | 'gPerM'>;

const wound = (
  name: string,
  manner: WoundMaterial['manner'],
  colour: string,
  [solid, density, opacity, water, softness]: Figures,
  { lies = {}, also = [], note }: { lies?: Lies; also?: readonly string[]; note: string },
): WoundMaterial => ({ name, manner, colour, solid, density, opacity, water, softness, also, note, ...lies });

const FILM: Figures = [0.9, POLYESTER, 1, 0, 0];
const film = (flatMm: number, thickMm = 0.03): Lies => ({ flatMm, thickMm });

export const WOUND: readonly WoundMaterial[] = [
  wound('floss', 'floss', '#7a2230', [0.6, 1.3, 1, 0.4, 0], {
    lies: { flatMm: 1.5, thickMm: 0.08 },
    also: ['silk'],
    note: 'untwisted filaments: one pass lies some 1.5 mm broad and 0.08 mm thick',
  }),
  wound('luminous floss', 'floss', '#c6d96b', [0.6, 1.14, 1, 0.3, 0], {
    lies: { flatMm: 1.5, thickMm: 0.08 },
    also: ['bright floss', 'stretch floss'],
    note: 'stretched polyamide filaments, as floss',
  }),
  wound('flat tinsel', 'flat', '#c7ccce', FILM, {
    lies: film(1.2),
    also: ['flat film', 'medium flat tinsel'],
    note: 'metallised polyester film of 0.03 mm',
  }),
  wound('fine flat tinsel', 'flat', '#c7ccce', FILM, {
    lies: film(0.7),
    also: ['narrow flat tinsel'],
    note: 'as flat tinsel, 0.7 mm broad',
  }),
  wound('wide flat tinsel', 'flat', '#c7ccce', FILM, {
    lies: film(1.6),
    also: ['broad flat tinsel', 'embossed tinsel'],
    note: 'as flat tinsel, 1.6 mm broad',
  }),
  wound('pearl tinsel', 'flat', '#dfe6e4', FILM, {
    lies: film(1.2, 0.025),
    also: ['pearl', 'pearl film'],
    note: 'polyester film of 0.025 mm that lets light through',
  }),
  wound('mylar strand', 'flat', '#d5dad8', FILM, {
    lies: film(0.4, 0.02),
    also: ['tinsel strand', 'wound flash'],
    note: 'one strand of flash, 0.4 by 0.02 mm',
  }),
  wound('flat braid', 'flat', '#bfc3bb', [0.5, POLYESTER, 1, 0.3, 0], {
    lies: film(2, 0.4),
    also: ['flat braided tinsel'],
    note: 'a braid pressed flat: half of it is matter',
  }),
  wound('stripped quill', 'quill', '#8c7a55', [0.95, KERATIN, 1, 0.2, 0], {
    lies: film(0.8, 0.05),
    also: ['quill', 'peeled quill', 'biot'],
    note: 'the rind of a stem, 0.8 by 0.05 mm; it is scraped keratin and sinks',
  }),
  wound('oval tinsel', 'oval', '#c9b169', [0.6, 2.5, 1, 0.2, 0], {
    also: ['tinsel', 'round tinsel'],
    note: 'thin metal strip round a thread core',
  }),
  wound('braided tinsel', 'oval', '#bfc3bb', [0.5, POLYESTER, 1, 0.3, 0], {
    also: ['braid', 'round braid'],
    note: 'round braid of film: half of it is matter',
  }),
  wound('tight dubbing', 'dubbing', '#57503f', [0.2, KERATIN, 0.9, 2, 0.2], {
    also: ['dubbing', 'fur dubbing'],
    note: 'twisted hard: a fifth of the body is fur',
  }),
  wound('loose dubbing', 'dubbing', '#57503f', [0.1, KERATIN, 0.75, 3, 0.4], {
    also: ['picked dubbing'],
    note: 'picked out: a tenth of the body is fur',
  }),
  wound('underfur dubbing', 'dubbing', '#7d766c', [0.18, KERATIN, 0.9, 2.5, 0.2], {
    also: ['underfur', 'fine fur dubbing'],
    note: 'fine soft wool of the hide, which felts close',
  }),
  wound('seal-type dubbing', 'dubbing', '#6b2c1d', [0.12, KERATIN, 0.75, 1.5, 0.3], {
    also: ['coarse dubbing', 'seal fur'],
    note: 'coarse bright fibres that do not pack',
  }),
  wound('spun brush', 'brush', '#6a655b', [0.1, KERATIN, 0.75, 3, 0.4], {
    lies: { coreMm: 1.2, gPerM: 1.1 },
    also: ['brush', 'dubbing brush', 'spun fur', 'dubbing loop'],
    note: 'taken: two fine wires or threads, 0.5 g, and 0.6 g of fur to the metre',
  }),
  wound('chenille', 'chenille', '#5d5f45', [0.12, 1.3, 0.9, 2.5, 0.2], {
    also: ['rayon chenille'],
    note: 'short tufts between two twisted threads',
  }),
  wound('fine chenille', 'chenille', '#5d5f45', [0.18, 1.3, 0.95, 2.2, 0.1], {
    also: ['velvet chenille', 'micro chenille'],
    note: 'tufts of a millimetre, denser than the usual',
  }),
  wound('wool chenille', 'chenille', '#7c6a54', [0.15, KERATIN, 0.9, 2.5, 0.2], {
    also: ['soft chenille'],
    note: 'as chenille, of wool',
  }),
  wound('bristle chenille', 'bristle', '#70808a', [0.05, POLYESTER, 0.6, 2, 0.3], {
    lies: { coreMm: 0.9, gPerM: 0.3 },
    also: ['sparkle chenille'],
    note: 'taken: 0.3 g to the metre, half of it the thread core',
  }),
  wound('long-fibre chenille', 'long', '#8a8f92', [0.03, POLYESTER, 0.45, 1.5, 0.6], {
    lies: { coreMm: 1, gPerM: 0.55 },
    also: ['long chenille', 'streamer chenille'],
    note: 'taken: fibres of 15 to 30 mm, one way, 0.55 g to the metre with their core',
  }),
  wound('wool', 'yarn', '#7c6a54', [0.25, KERATIN, 0.9, 2.5, 0.2], {
    also: ['yarn', 'wool yarn'],
    note: 'a quarter of a spun yarn is wool',
  }),
  wound('mohair yarn', 'yarn', '#84705c', [0.16, KERATIN, 0.8, 2, 0.3], {
    also: ['mohair', 'leech yarn'],
    note: 'long hairs held in a thin twist, brushed',
  }),
  wound('acrylic yarn', 'yarn', '#8c6f5b', [0.22, 1.18, 0.9, 2, 0.2], {
    also: ['sparkle yarn', 'synthetic yarn'],
    note: 'as wool, of a lighter fibre that takes up less water',
  }),
  wound('herl', 'herl', '#39492f', [0.12, KERATIN, 0.85, 1.5, 0.3], {
    also: ['peacock herl', 'peacock', 'plume herl', 'marabou butts'],
    note: 'barbs with short barbules, several twisted together',
  }),
  wound('ostrich-type herl', 'herl', '#3d3b38', [0.07, KERATIN, 0.75, 2, 0.4], {
    also: ['ostrich herl', 'ostrich'],
    note: 'long barbules on one thin stem',
  }),
  wound('wound plume', 'plume', '#6f7173', [0.08, KERATIN, 0.75, 3, 0.5], {
    also: ['plume body', 'marabou', 'wound marabou', 'plume'],
    note: 'barbs of soft plume twisted and wound: looser than herl',
  }),
  wound('tail-fibre body', 'plume', '#6b4f33', [0.35, KERATIN, 0.95, 0.8, 0.1], {
    also: ['pheasant tail', 'tail fibres', 'swan'],
    note: 'long barbs of a tail feather laid side by side',
  }),
  wound('thread', 'thread', '#2b2e2f', [0.65, 1.2, 1, 0, 0], {
    lies: { flatMm: 0.25, thickMm: 0.07 },
    also: ['tying thread'],
    note: 'filaments side by side: 0.65 of it is matter',
  }),
];
