import { swapOffers } from '../edit/index.ts';
import { layFly, type LaidPart, meantFor, turnsWithin } from '../model/index.ts';
import { partName } from '../tying/index.ts';
import { solidNamed } from '../data/index.ts';
import { formatNumber } from '../units/index.ts';
import { found, partsOf, type Checking, type Check, type Fix, type Found } from './types.ts';

const cmS = (mmS: number): string => `${formatNumber(mmS / 10, 0)} cm/s`;
const CLASSES = ['hang', 'slow', 'medium', 'fast', 'very fast'] as const;

/** The part that carries most of the one-sided weight. */
const heaviestEyes = ({ laid }: Checking): LaidPart | null =>
  partsOf(laid, 'ball')
    .filter((part) => part.built.ball?.sided === true)
    .sort((a, b) => b.massMg - a.massMg)[0] ?? null;

/** The lightest eyes that make it ride as meant with some margin. */
function heavierEyes(fly: Checking, part: LaidPart, ratio: number): Fix | null {
  const offers = swapOffers(fly.laid, part.file.id, fly.drawers)?.offers ?? [];
  const [best] = offers
    .filter((offer) => (offer.ratio ?? 0) >= ratio && !offer.lead)
    .filter((offer) => {
      const laid = layFly(offer.file, fly.drawers);
      return laid.ok && laid.value.tight.ride === fly.file.intent?.ride;
    })
    .sort((a, b) => a.massMg - b.massMg);
  return best ? { words: `${best.material}, ${best.diameter}`, file: best.file } : null;
}

/** What is said of a fly whose weight lies on the axis. */
const EITHER = 'rides either way up on a tight line: the wing decides';

export const BALANCE: readonly Check[] = [
  {
    code: 'balance.ride',
    costs: 'fish',
    reason: 'A fly that rides the other way up than meant snags, or hooks nothing.',
    limits: { ratio: { value: 1.3, means: 'tipping ratio the fix aims for' } },
    find: (fly) => {
      const meant = fly.file.intent?.ride;
      const { ride } = fly.laid.tight;
      if (meant === undefined || ride === meant) return [];
      if (ride === 'undecided') return [found('note', null, `${EITHER}; meant ${meant}`)];
      const eyes = heaviestEyes(fly);
      return [
        found('warn', eyes, `rides ${ride.replaceAll('-', ' ')}, meant ${meant}`, {
          fix: eyes ? heavierEyes(fly, eyes, fly.limit('ratio')) : null,
        }),
      ];
    },
  },
  {
    code: 'balance.margin',
    costs: 'fish',
    reason:
      'A weight that just tips the fly does so in the vise and not with wet fur on it; one far over it only makes it heavy to cast.',
    limits: {
      least: { value: 0.77, means: 'tipping ratio below which it surely rides the other way' },
      thin: { value: 1.3, means: 'tipping ratio above which the ride is sure' },
      much: { value: 4, means: 'tipping ratio that is more than the ride needs' },
    },
    find: (fly) => {
      const { tipping } = fly.laid;
      const part = fly.laid.parts.find((each) => each.file.id === tipping?.part);
      if (!tipping || !part) return [];
      const { ratio } = tipping;
      const span = tipping.range;
      const open = turnsWithin(span, fly.limit('thin'));
      const times =
        open && span ? `${formatNumber(span[0], 1)} to ${formatNumber(span[1], 1)}` : formatNumber(ratio, 2);
      const words = `${partName(part.file.id)}: ${times} × the weight that turns the fly over${open ? '; weigh a pair' : ''}`;
      if (ratio > fly.limit('much')) return [found('note', part, words, { figure: ratio, limit: fly.limit('much') })];
      if (ratio >= fly.limit('thin') && open)
        return [found('note', part, words, { figure: ratio, limit: fly.limit('thin') })];
      if (ratio < fly.limit('least') || ratio >= fly.limit('thin')) return [];
      return [
        found('warn', part, words, {
          figure: ratio,
          limit: fly.limit('thin'),
          fix: fly.file.intent?.ride === undefined ? null : heavierEyes(fly, part, fly.limit('thin')),
        }),
      ];
    },
  },
  {
    code: 'balance.undecided',
    costs: 'fish',
    reason: 'With its weight on the axis a fly rolls as the water will.',
    limits: {},
    find: (fly) =>
      fly.laid.tight.ride === 'undecided' && fly.file.intent?.ride === undefined ? [found('note', null, EITHER)] : [],
  },
  {
    code: 'balance.lean',
    costs: 'fish',
    reason: 'A one-sided wing or eyes set askew make the fly swim on its side.',
    limits: { deg: { value: 10, means: 'degrees off upright at rest on a tight line' } },
    find: ({ laid, limit }) => {
      const heel = laid.tight.heelDeg;
      if (heel === null) return [];
      const figure = Math.min(Math.abs(heel), 180 - Math.abs(heel));
      if (figure <= limit('deg')) return [];
      return [found('warn', null, `leans ${formatNumber(figure, 0)}° to one side`, { figure, limit: limit('deg') })];
    },
  },
  {
    code: 'balance.holds',
    costs: 'fish',
    reason: 'Past the current it holds to, the fly lies over and turns.',
    limits: { margin: { value: 1.3, means: 'times the current it is meant for' } },
    find: ({ file, solved, limit }) => {
      const meant = meantFor(file).currentMmS;
      const holds = solved.balance.hold.holdsTo;
      if (meant === null || holds === null) return [];
      const figure = holds / meant;
      if (figure >= limit('margin')) return [];
      return [
        found(figure < 1 ? 'warn' : 'note', null, `holds to ${cmS(holds)}, meant for ${cmS(meant)}`, {
          figure: holds,
          limit: meant,
        }),
      ];
    },
  },
  {
    code: 'balance.trim',
    costs: 'fish',
    reason: 'How it falls on a slack line is how it looks to a fish that follows.',
    limits: {},
    find: ({ file, solved }) => {
      const meant = file.intent?.trim;
      const { verdict, noseDownDeg } = solved.balance.trim;
      if (meant === undefined || verdict === null || verdict === meant) return [];
      // Level and either end are a matter of degree; nose and tail are not.
      const far = meant !== 'level' && verdict !== 'level';
      return [
        found(
          far ? 'warn' : 'note',
          null,
          `falls ${verdict}, ${formatNumber(Math.abs(noseDownDeg ?? 0), 0)}°; meant ${meant}`,
          {
            figure: noseDownDeg,
          },
        ),
      ];
    },
  },
  {
    code: 'balance.sink',
    costs: 'fish',
    reason: 'A fly that sinks in another class fishes another depth.',
    limits: { classes: { value: 2, means: 'classes off from which it matters' } },
    find: ({ file, solved, limit }) => {
      const meant = file.intent?.sink;
      if (meant === undefined) return [];
      const { sink } = solved.balance;
      if (!sink) return [found('warn', null, `floats; meant to sink ${meant}`)];
      const off = Math.abs(CLASSES.indexOf(sink.class) - CLASSES.indexOf(meant));
      if (off === 0) return [];
      return [
        found(
          off >= limit('classes') ? 'warn' : 'note',
          null,
          `sinks ${sink.class}, ${cmS(sink.terminal)}; meant ${meant}`,
          {
            figure: off,
            limit: limit('classes'),
          },
        ),
      ];
    },
  },
  {
    code: 'balance.fights',
    costs: 'fish',
    reason: 'A head that floats over a front that sinks cancel each other: the fly is heavy and hangs.',
    limits: { station: { value: 4, means: 'station ahead of which weight fights a buoyant head' } },
    find: ({ laid, limit }) => {
      const front = (limit('station') / 10) * laid.platform.shankMm;
      const light = laid.parts.filter((part) => part.submergedMg < -1 && part.centroid[0] < front);
      const heavy = laid.parts.filter(
        (part) => solidNamed(part.built.figuredAs) !== null && part.submergedMg > 50 && part.centroid[0] < front,
      );
      const [up, down] = [light[0], heavy[0]];
      if (!up || !down) return [];
      return [
        found('note', up, `${partName(up.file.id)} lifts where ${partName(down.file.id)} sinks`, {
          parts: [up.file.id, down.file.id],
          figure: up.submergedMg,
        }),
      ];
    },
  },
];

export const TURNS: readonly Check[] = [
  {
    code: 'turns.rib',
    costs: 'strength',
    reason: 'A rib of few or wide turns binds nothing between them.',
    limits: {
      turns: { value: 3, means: 'turns at least' },
      pitch: { value: 5, means: 'mm from turn to turn at most' },
    },
    find: ({ laid, limit }) =>
      partsOf(laid, 'wrap').flatMap((part): Found[] => {
        if (part.file.role !== 'rib' || part.built.turns === null) return [];
        const { turns } = part.built;
        const pitch = (part.extent.endMm - part.extent.startMm) / Math.max(1, turns);
        if (turns < limit('turns'))
          return [
            found('warn', part, `${partName(part.file.id)} has ${formatNumber(turns, 0)} turns`, {
              figure: turns,
              limit: limit('turns'),
            }),
          ];
        if (pitch <= limit('pitch')) return [];
        return [
          found('note', part, `${partName(part.file.id)}: ${formatNumber(pitch, 1)} mm from turn to turn`, {
            figure: pitch,
            limit: limit('pitch'),
          }),
        ];
      }),
  },
  {
    code: 'turns.collar',
    costs: 'looks',
    reason: 'Fewer turns leave a gap in the collar, more make a brush of it.',
    limits: { least: { value: 2, means: 'turns at least' }, most: { value: 5, means: 'turns at most' } },
    find: ({ laid, limit }) =>
      partsOf(laid, 'hackle').flatMap((part): Found[] => {
        const turns = part.built.turns ?? 0;
        if (part.file.construction !== 'hackle' || (part.file.style ?? 'collar') !== 'collar') return [];
        if (part.file.from !== undefined) return [];
        const each = turns / (part.file.feathers ?? 1);
        if (each >= limit('least') && each <= limit('most')) return [];
        return [
          found('note', part, `${partName(part.file.id)} has ${formatNumber(turns, 0)} turns`, {
            figure: each,
            limit: each < limit('least') ? limit('least') : limit('most'),
          }),
        ];
      }),
  },
  {
    code: 'turns.bushy',
    costs: 'looks',
    reason: 'Palmered this close the fibres stand up as a brush and the fly hangs in the film.',
    limits: { share: { value: 0.08, means: 'pitch as a share of the fibres’ diameter' } },
    find: ({ laid, limit }) =>
      partsOf(laid, 'hackle').flatMap((part): Found[] => {
        if (part.file.construction !== 'hackle' || part.file.style !== 'palmer') return [];
        const pitch = (part.extent.endMm - part.extent.startMm) / Math.max(1, part.built.turns ?? 1);
        const figure = pitch / Math.max(0.1, 2 * part.extent.lengthMm);
        if (figure >= limit('share')) return [];
        return [
          found('note', part, `${partName(part.file.id)}: a turn every ${formatNumber(pitch, 1)} mm`, {
            figure,
            limit: limit('share'),
          }),
        ];
      }),
  },
];
