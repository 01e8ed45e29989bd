import { mixTint } from '../../data/index.ts';
import { discVolume, STALK, type PartForm, type Vec3 } from '../../model/index.ts';
import { stemOf } from './bladeFibres.ts';
import { coreShare, endEase, isFuzzy } from './fibres.ts';
import { alongLine, boundLength } from './sheaf.ts';
import { strandSolids } from './strands.ts';
import type { BodyStation, Solid } from './types.ts';

const STATIONS = 24;

function stations(
  fromMm: number,
  toMm: number,
  radius: (x: number) => number,
  axisZ: (x: number) => number,
): BodyStation[] {
  return Array.from({ length: STATIONS + 1 }, (_, i) => {
    const x = fromMm + ((1 - Math.cos((Math.PI * i) / STATIONS)) / 2) * (toMm - fromMm);
    return { x, z: axisZ(x), r: radius(x) };
  });
}

type Form<K extends PartForm['kind']> = Extract<PartForm, { kind: K }>;

/** mm along the shank that one turn of chenille or dubbing is drawn to take. */
const FUZZY_TURN_MM = 1.5;

function woundSolids(form: Form<'wound'>): Solid[] {
  const { fromMm, toMm, axisZ, turns, counter, tint } = form;
  const open = form.strandMm > 0 && turns * form.strandMm < 0.8 * (toMm - fromMm);
  if (open)
    return [
      {
        kind: 'rib',
        stations: stations(fromMm, toMm, form.outerMm, axisZ),
        turns,
        breadthMm: form.strandMm,
        counter,
        tint,
      },
    ];
  if (isFuzzy(form.manner)) {
    const share = coreShare(form.manner);
    const firm = (x: number): number =>
      Math.max(form.coreMm / 2, form.outerMm(x) * share * (0.7 + 0.3 * endEase(form, x)));
    return [
      {
        kind: 'body',
        stations: stations(fromMm, toMm, firm, axisZ),
        tint: mixTint(tint, '#000000', 0.25),
        gloss: 0.05,
        turns: (toMm - fromMm) / FUZZY_TURN_MM,
        counter,
        head: false,
      },
    ];
  }
  const shiny = form.manner === 'wire' || form.manner === 'flat' || form.manner === 'oval' || form.manner === 'quill';
  return [
    {
      kind: 'body',
      stations: stations(fromMm, toMm, form.outerMm, axisZ),
      tint,
      gloss: shiny ? 0.8 : 0.35,
      turns,
      counter,
      head: false,
    },
  ];
}

const EYE_PUPIL = '#14181a';

function ballSolids(form: Form<'ball'>): Solid[] {
  const { centre, diameterMm, tint } = form;
  const r = diameterMm / 2;
  if (form.shape === 'bead') return [{ kind: 'ball', centre, r, tint, face: null, boreMm: form.boreMm }];
  if (form.shape === 'cone') return [coneSolid(form)];
  if (form.shape === 'disc')
    return form.sides.map((side) => ({
      kind: 'disc',
      centre: [centre[0], side * form.underMm, centre[2]],
      r,
      out: side,
      highMm: discVolume(diameterMm, form.domed).highMm,
      domed: form.domed,
      tint,
    }));
  if (form.shape === 'stalked') return stalkSolids(form);
  const apart = 0.55 * diameterMm;
  const half: Vec3 = [0, apart * Math.cos(form.rollRad), apart * Math.sin(form.rollRad)];
  const one = (side: 1 | -1): Solid => ({
    kind: 'ball',
    centre: [centre[0], centre[1] + side * half[1], centre[2] + side * half[2]],
    r,
    tint,
    face:
      form.shape === 'bead-chain'
        ? null
        : {
            kind: form.faces === 'round' ? 'ring' : form.faces,
            out: [0, side * Math.cos(form.rollRad), side * Math.sin(form.rollRad)],
          },
    boreMm: 0,
  });
  return [one(-1), { kind: 'neck', centre, half, r: form.neckMm / 2, tint: mixTint(tint, EYE_PUPIL, 0.35) }, one(1)];
}

/** Two eyes at the ends of their stalks. */
function stalkSolids({ centre, diameterMm, stalk, rollRad, tint }: Form<'ball'>): Solid[] {
  const sides = [-1, 1] as const;
  const at = (side: number, share: number): Vec3 => [
    centre[0] + share * stalk.rearMm,
    centre[1] + side * share * stalk.asideMm * Math.cos(rollRad),
    centre[2] + side * share * stalk.asideMm * Math.sin(rollRad),
  ];
  return [
    ...sides.map((side): Solid => ({
      kind: 'strand',
      points: [at(side, 0), at(side, 0.5), at(side, 1)],
      breadthMm: STALK.neck * diameterMm,
      tint: mixTint(tint, '#ffffff', 0.18),
      glint: null,
    })),
    ...sides.map((side): Solid => ({
      kind: 'ball',
      centre: at(side, 1),
      r: diameterMm / 2,
      tint,
      face: null,
      boreMm: 0,
    })),
  ];
}

const coneSolid = ({ centre, diameterMm, frontMm, lengthMm, tint }: Form<'ball'>): Solid => ({
  kind: 'body',
  stations: [0, 0.04, 0.5, 0.96, 1].map((share) => ({
    x: centre[0] + (share - 0.5) * lengthMm,
    z: centre[2],
    r: ((frontMm + (diameterMm - frontMm) * share) / 2) * (share === 0 || share === 1 ? 0.9 : 1),
  })),
  tint,
  gloss: 0.9,
  turns: 0,
  counter: false,
  head: false,
});

const HIDE_TINT = '#b79468';

const RIBBON_POINTS = 12;

function ribbon(form: Form<'strip'>): Solid {
  const boundMm = boundLength(form);
  const totalMm = boundMm + form.line.lengthMm;
  const shares = Array.from({ length: RIBBON_POINTS + 1 }, (_, i) => i / RIBBON_POINTS);
  return {
    kind: 'ribbon',
    points: shares.map((share) => alongLine(form, share * totalMm, boundMm)),
    widths: shares.map((share) => form.widthAt(share * totalMm)),
    thickMm: form.thickMm,
    widthMm: form.widthMm,
    upright: form.side[0] === 0,
    gloss: 0,
    // Dyed fur has a dyed skin, paler than the hair.
    tint: mixTint(form.tint, HIDE_TINT, 0.45),
  };
}

function sheetSolid({ fromMm, toMm, centreMm, widthAt, ...form }: Form<'sheet'>): Solid {
  const places = Array.from({ length: RIBBON_POINTS + 1 }, (_, i) => fromMm + (i / RIBBON_POINTS) * (toMm - fromMm));
  return {
    kind: 'ribbon',
    points: places.map(centreMm),
    widths: places.map(widthAt),
    thickMm: form.thickMm,
    widthMm: form.widthMm,
    upright: form.side[0] === 0,
    gloss: form.gloss,
    tint: form.tint,
  };
}

const THREAD_TINT = '#2b2e2f';
const LINE_TINT = '#9fb0ad';

/** What holds a part up at its tie-in. */
function supportSolids({ manner, root, along, out, widthMm }: Form<'support'>): Solid[] {
  const at = (aft: number, away: number, aside: number): Vec3 => [
    root[0] + along[0] * aft + out[0] * away,
    root[1] + along[1] * aft + out[1] * away + aside,
    root[2] + along[2] * aft + out[2] * away,
  ];
  const under = -widthMm / 2;
  const strand = (points: readonly [Vec3, Vec3, Vec3], breadthMm: number, tint: string): Solid => ({
    kind: 'strand',
    points,
    breadthMm,
    tint,
    glint: null,
  });
  if (manner === 'turn-under' || manner === 'dam') {
    const r = manner === 'dam' ? 0.6 : 0.25;
    return [
      { kind: 'neck', centre: at(r, under - r, 0), half: [0, Math.max(widthMm / 2, r), 0], r, tint: THREAD_TINT },
    ];
  }
  const long = 3 * Math.max(widthMm, 1.5);
  if (manner === 'underlay')
    return [-1, -0.5, 0, 0.5, 1].map((v) =>
      strand(
        [at(0, under, (v * widthMm) / 3), at(long / 2, under, (v * widthMm) / 2.5), at(long, under, (v * widthMm) / 2)],
        0.15,
        LINE_TINT,
      ),
    );
  return [1, -1].map((side) =>
    strand(
      [at(0, under, (side * widthMm) / 4), at(0.7 * long, under, side * widthMm), at(long, under, 0)],
      0.25,
      LINE_TINT,
    ),
  );
}

const GLOSS: Readonly<Record<Form<'coat'>['material'], number>> = {
  cement: 0.35,
  varnish: 0.6,
  resin: 0.9,
  epoxy: 0.9,
  superglue: 0.3,
};

export function solidsOf(form: PartForm, seed: number): Solid[] {
  switch (form.kind) {
    case 'ball':
      return ballSolids(form);
    case 'wound':
      return woundSolids(form);
    case 'strip':
      return [ribbon(form)];
    case 'thread':
      return [
        {
          kind: 'body',
          stations: stations(form.fromMm, form.toMm, form.radiusMm, form.axisZ),
          tint: form.tint,
          gloss: form.head ? 0.6 : 0.15,
          turns: form.head ? 14 : 0,
          counter: false,
          head: form.head,
        },
      ];
    case 'bundle':
      return isStrands(form) ? strandSolids(form, seed) : [];
    case 'feather':
      return stemOf(form);
    case 'spun':
      return [spunCore(form)];
    case 'sheet':
      return [sheetSolid(form)];
    case 'coat':
      return [{ kind: 'coat', cuts: form.cuts, thickMm: form.thickMm, gloss: GLOSS[form.material], tint: form.tint }];
    case 'support':
      return supportSolids(form);
    case 'hackle':
      return [];
  }
}

/** The dense middle of a spun head, which the hair stands out of. */
const spunCore = (form: Form<'spun'>): Solid => ({
  kind: 'body',
  stations: stations(
    form.fromMm,
    form.toMm,
    (x) => {
      const low =
        form.flatMm === null ? form.radiusMm(x) : Math.max(form.coreMm(x), Math.min(form.radiusMm(x), form.flatMm));
      return Math.max(form.coreMm(x), 0.8 * low);
    },
    form.axisZ,
  ),
  tint: mixTint(form.tint, '#000000', 0.25),
  gloss: 0,
  turns: 0,
  counter: false,
  head: false,
});

export const isStrands = (form: Form<'bundle'>): boolean => form.manner === 'strand' || form.manner === 'leg';
