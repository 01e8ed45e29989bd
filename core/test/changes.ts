import { body, collar, eyes, feathers, rib, sheet, spunHead, strip, tail, weightWire, without } from './build.ts';

type Loose = Record<string, unknown>;

const bead = eyes({ shape: 'cone', side: 'around', bore: '1 mm', front: '2.5 mm', length: '4 mm' });
const roundBead = eyes({ shape: 'bead', side: 'around' });
const palmer = without(
  collar({ id: 'palmer', role: 'hackle', style: 'palmer', from: 'bend', to: 'station 3', turns: 6 }),
  'at',
);
const gloss = { id: 'gloss', role: 'finish', construction: 'coat', material: 'varnish', over: 'other', layers: 1 };
const other = body({ id: 'other', diameter: '3 mm', from: 'station 9', to: 'station 7' });

const stalked = eyes({ shape: 'stalked', material: 'nylon', diameter: '2 mm' });
const tinsel = without(body({ material: 'flat tinsel', width: '1 mm' }), 'diameter');
const brush = body({ material: 'spun brush' });

/** A part before and after each key that its construction takes is changed, set or taken away. */
export const CHANGES: Record<string, Record<string, readonly [Loose, Loose]>> = {
  ball: {
    at: [eyes(), eyes({ at: 'station 3' })],
    shape: [eyes(), eyes({ shape: 'bead-chain' })],
    diameter: [eyes(), eyes({ diameter: '4.5 mm' })],
    bore: [bead, { ...bead, bore: '1.5 mm' }],
    front: [bead, { ...bead, front: '3 mm' }],
    length: [bead, { ...bead, length: '5 mm' }],
    mass: [eyes(), eyes({ mass: '0.5 g' })],
    slotted: [roundBead, { ...roundBead, slotted: true }],
    faces: [eyes(), eyes({ faces: 'flat' })],
    stalk: [stalked, { ...stalked, stalk: '6 mm' }],
    angle: [stalked, { ...stalked, angle: '50 deg' }],
    toward: [stalked, { ...stalked, toward: 'front' }],
  },
  wrap: {
    from: [body(), body({ from: 'barb' })],
    to: [body(), body({ to: 'station 4' })],
    strand: [rib(), rib({ strand: '0.3 mm' })],
    diameter: [body(), body({ diameter: '5 mm' })],
    profile: [body(), without(body({ profile: ['2 mm', '3 mm', '5 mm'] }), 'diameter')],
    turns: [rib(), rib({ turns: 6 })],
    pitch: [without(rib(), 'turns'), without(rib({ pitch: '3 mm' }), 'turns')],
    layers: [rib({ layers: 1 }), rib({ layers: 2 })],
    width: [tinsel, { ...tinsel, width: '2 mm' }],
    thickness: [tinsel, { ...tinsel, thickness: '0.06 mm' }],
    density: [brush, { ...brush, density: 'dense' }],
    dubbed: [body({ material: 'loose dubbing' }), body({ material: 'loose dubbing', dubbed: 'loop' })],
    with: [
      body({ material: 'tight dubbing', dubbed: 'loop' }),
      body({ material: 'tight dubbing', dubbed: 'loop', with: 'flat tinsel' }),
    ],
    crossed: [body({ to: 'head', crossed: false }), body({ to: 'head', crossed: true })],
    on: [weightWire({ on: 'bare' }), weightWire({ on: 'thread' })],
    over: [rib({ over: 'hackle' }), rib({ over: 'under' })],
    direction: [rib(), rib({ direction: 'counter' })],
    buttsTo: [body(), body({ buttsTo: 'station 6' })],
  },
  bundle: {
    at: [tail(), tail({ at: 'barb' })],
    pinch: [tail(), tail({ pinch: '3 mm' })],
    strands: [tail(), without(tail({ strands: 90 }), 'pinch')],
    dose: [tail(), without(tail({ dose: 'sparse' }), 'pinch')],
    length: [tail(), tail({ length: '1.2 shank' })],
    tip: [tail(), without(tail({ tip: 'bend + 20 mm' }), 'length')],
    angle: [tail(), tail({ angle: '10 deg' })],
    toward: [tail({ at: 'station 3' }), tail({ at: 'station 3', toward: 'front' })],
    ends: [tail(), tail({ ends: 'staggered' })],
    stacked: [tail(), tail({ stacked: true })],
    support: [tail(), tail({ support: 'loop' })],
    buttsTo: [tail(), tail({ buttsTo: 'station 4' })],
    buttsWrapped: [tail({ buttsTo: 'station 4' }), tail({ buttsTo: 'station 4', buttsWrapped: true })],
    held: [tail({ role: 'legs', held: 'bound' }), tail({ role: 'legs', held: 'doubled' })],
  },
  feather: {
    at: [feathers(), feathers({ at: 'station 2' })],
    form: [feathers(), feathers({ form: 'slips' })],
    perSide: [feathers(), feathers({ perSide: 2 })],
    width: [feathers(), feathers({ width: '7 mm' })],
    length: [feathers(), feathers({ length: '1.4 shank' })],
    tip: [feathers(), without(feathers({ tip: 'bend + 5 mm' }), 'length')],
    lie: [feathers(), feathers({ lie: 'flat' })],
    married: [feathers({ form: 'slips' }), feathers({ form: 'slips', married: ['red', 'blue', 'yellow'] })],
    angle: [feathers(), feathers({ angle: '20 deg' })],
    support: [feathers(), feathers({ support: 'underlay' })],
    boundBy: [feathers(), feathers({ boundBy: 'other' })],
    buttsTo: [feathers(), feathers({ buttsTo: 'station 3' })],
  },
  strip: {
    at: [strip(), strip({ at: 'station 9' })],
    width: [strip(), strip({ width: '3 mm' })],
    thickness: [strip(), strip({ thickness: '1 mm' })],
    hair: [strip(), strip({ hair: '20 mm' })],
    length: [strip(), strip({ length: '30 mm' })],
    tip: [strip(), without(strip({ tip: 'bend + 20 mm' }), 'length')],
    boundAt: [strip(), strip({ boundAt: ['station 5'] })],
    boundBy: [strip(), strip({ boundBy: 'other' })],
    angle: [strip(), strip({ angle: '8 deg' })],
    support: [strip(), strip({ support: 'dam' })],
    ends: [strip(), strip({ ends: 'tapered' })],
    first: [
      strip({ boundAt: ['bend'], at: 'station 2' }),
      strip({ boundAt: ['bend'], at: 'station 2', first: 'front' }),
    ],
    buttsTo: [strip(), strip({ buttsTo: 'station 6' })],
  },
  hackle: {
    at: [collar(), collar({ at: 'station 3' })],
    from: [palmer, { ...palmer, from: 'barb' }],
    to: [palmer, { ...palmer, to: 'station 4' }],
    style: [collar(), collar({ style: 'throat' })],
    fibre: [collar(), collar({ fibre: '1 gap' })],
    tip: [collar(), without(collar({ tip: 'point' }), 'fibre')],
    turns: [collar(), collar({ turns: 4 })],
    by: [palmer, { ...palmer, by: 'base' }],
    feathers: [collar(), collar({ feathers: 2 })],
    buttsTo: [collar(), collar({ buttsTo: 'station 4' })],
  },
  spun: {
    from: [spunHead(), spunHead({ from: 'eye + 2 mm' })],
    to: [spunHead(), spunHead({ to: 'station 5' })],
    dose: [spunHead(), spunHead({ dose: 'matchstick' })],
    diameter: [spunHead(), spunHead({ diameter: '10 mm' })],
    tip: [spunHead(), spunHead({ tip: 'station 7' })],
    flatBelow: [spunHead(), spunHead({ flatBelow: '2 mm' })],
    lean: [spunHead(), spunHead({ lean: 0.2 })],
    bands: [spunHead(), spunHead({ bands: ['olive', 'white'] })],
    buttsTo: [spunHead(), spunHead({ buttsTo: 'station 6' })],
  },
  sheet: {
    from: [sheet(), sheet({ from: 'station 2' })],
    to: [sheet(), sheet({ to: 'station 6' })],
    width: [sheet(), sheet({ width: '6 mm' })],
    thickness: [sheet(), sheet({ thickness: '2 mm' })],
    doubled: [sheet(), sheet({ doubled: true })],
    first: [sheet(), sheet({ first: 'front' })],
    pads: [sheet(), sheet({ pads: '4 mm' })],
    padCut: [sheet({ pads: '4 mm' }), sheet({ pads: '4 mm', padCut: 'round' })],
    buttsTo: [sheet(), sheet({ buttsTo: 'station 7' })],
  },
  coat: {
    over: [gloss, { ...gloss, over: 'head' }],
    layers: [gloss, { ...gloss, layers: 3 }],
  },
};

const hackled = collar({
  id: 'open',
  role: 'hackle',
  style: 'palmer',
  at: undefined,
  from: 'bend',
  to: 'station 4',
  turns: 4,
});
/** A part among others it can lean on. @returns all parts, in the order they are tied in */
export function amongOthers(part: Loose): readonly Loose[] {
  // A head is crossed only where there are eyes in it.
  const before = part['crossed'] === undefined ? [other, hackled] : [other, hackled, eyes({ id: 'pair' })];
  return part['on'] === undefined ? [...before, part] : [part, ...before];
}
