import { withKey, withPart } from '../edit/index.ts';
import { boundsOf } from '../model/index.ts';
import { formatNumber } from '../units/index.ts';
import { partName } from '../tying/index.ts';
import { found, partsOf, type Checking, type Check, type Found } from './types.ts';

const mm = (value: number): string => `${formatNumber(value, 1)} mm`;
const PAIRS: ReadonlySet<string> = new Set(['dumbbell', 'bead-chain', 'plastic', 'stalked']);

/** Which way up the fly is meant to ride, or does. */
const rides = ({ file, laid }: Checking): string => file.intent?.ride ?? laid.tight.ride;

export const SIDE: readonly Check[] = [
  {
    code: 'side.wing-under',
    costs: 'fish',
    reason:
      'On a fly that rides point-up the top of the vise is the belly: such a wing hangs below and leaves the point bare.',
    limits: {},
    find: (fly) => {
      if (rides(fly) !== 'point-up' || fly.laid.platform.pointUp) return [];
      // Many tie it so and mean it; only a fly that is meant to ride point-up says that it is not.
      const severity = fly.file.intent?.ride === 'point-up' ? 'warn' : 'note';
      const point = fly.laid.platform.landmarksMm.point ?? fly.laid.platform.landmarksMm.bend;
      return partsOf(fly.laid, 'bundle', 'strip', 'feather').flatMap((part): Found[] => {
        const { file, extent } = part;
        const wing = ['wing', 'overwing', 'underwing'].includes(file.role);
        const onTop = file.side === undefined || file.side === 'top';
        if (!wing || !onTop || extent.tipMm === null || extent.tipMm <= point) return [];
        return [
          found(
            severity,
            part,
            `${partName(file.id)} is tied on the vise’s top, and hangs as the belly when the fly rides point-up`,
            {
              fix: {
                words: 'turn it to the point side',
                file: withPart(fly.file, file.id, (each) => withKey(each, 'side', 'bottom')),
              },
            },
          ),
        ];
      });
    },
  },
];

export const BULK: readonly Check[] = [
  {
    code: 'bulk.gap-closed',
    costs: 'fish',
    reason: 'A body that fills the gap keeps the point out of the jaw.',
    limits: {
      warn: { value: 0.6, means: 'share of the gap that is left' },
      stop: { value: 0.45, means: 'share of the gap that is left' },
    },
    find: ({ laid, limit }) => {
      const { gapMm } = laid.platform;
      if (gapMm === null || laid.effectiveGapMm === null) return [];
      const figure = laid.effectiveGapMm / gapMm;
      if (figure >= limit('warn')) return [];
      const stop = figure < limit('stop');
      return [
        found(
          stop ? 'stop' : 'warn',
          null,
          `${mm(laid.effectiveGapMm)} of the ${mm(gapMm)} gap are left over the point, ${formatNumber(100 * figure, 0)} %`,
          { figure, limit: limit(stop ? 'stop' : 'warn'), atMm: laid.platform.landmarksMm.point },
        ),
      ];
    },
  },
  {
    code: 'bulk.eyes-large',
    costs: 'fish',
    reason: 'Eyes too large for the gap guard the point and fall over sideways.',
    limits: {
      diameter: { value: 0.75, means: 'gaps across one eye' },
      across: { value: 1.6, means: 'gaps across the pair' },
    },
    find: ({ laid, limit }) => {
      const { gapMm } = laid.platform;
      if (gapMm === null) return [];
      return partsOf(laid, 'ball').flatMap((part): Found[] => {
        if (part.file.construction !== 'ball' || !PAIRS.has(part.file.shape)) return [];
        const one = part.extent.lengthMm / gapMm;
        const across = (2 * boundsOf(part.built.sections, 0).aside) / gapMm;
        if (one <= limit('diameter') && across <= limit('across')) return [];
        const wide = one <= limit('diameter');
        return [
          found(
            'warn',
            part,
            wide
              ? `${partName(part.file.id)} are ${formatNumber(across, 2)} gaps across`
              : `one of the ${partName(part.file.id)} is ${formatNumber(one, 2)} gaps across`,
            { figure: wide ? across : one, limit: limit(wide ? 'across' : 'diameter') },
          ),
        ];
      });
    },
  },
  {
    code: 'bulk.bead-large',
    costs: 'fish',
    reason: 'A bead that fills the gap keeps the point out.',
    limits: {
      note: { value: 0.75, means: 'gaps across' },
      warn: { value: 0.9, means: 'gaps across' },
    },
    find: ({ laid, limit }) => {
      const { gapMm } = laid.platform;
      if (gapMm === null) return [];
      return partsOf(laid, 'ball').flatMap((part): Found[] => {
        const bead = part.file.construction === 'ball' && ['bead', 'cone'].includes(part.file.shape);
        const figure = part.extent.lengthMm / gapMm;
        // A jig's bead sits ahead of the gap, over the bent leg.
        if (!bead || laid.platform.kind === 'jig' || figure <= limit('note')) return [];
        const warn = figure > limit('warn');
        return [
          found(warn ? 'warn' : 'note', part, `${partName(part.file.id)} is ${formatNumber(figure, 2)} gaps across`, {
            figure,
            limit: limit(warn ? 'warn' : 'note'),
          }),
        ];
      });
    },
  },
  {
    code: 'bulk.weight-extent',
    costs: 'fish',
    reason: 'Weight along the whole shank sinks the fly faster, but thickens its rear and takes the jigging from it.',
    limits: {
      shank: { value: 0.85, means: 'share of the shank that bead and turns take' },
      station: { value: 6, means: 'station behind which wire keeps a fly from jigging' },
    },
    find: ({ laid, file, limit }) => {
      const wire = partsOf(laid, 'wrap').filter((part) => part.file.role === 'underbody');
      const { shankMm } = laid.platform;
      // To fall nose-first is not to jig.
      const jigs = file.intent?.manner === 'jig';
      return wire.flatMap((part): Found[] => {
        const rear = Math.max(part.extent.startMm, part.extent.endMm);
        const front = Math.min(
          part.extent.startMm,
          ...partsOf(laid, 'ball')
            .filter((each) => each.file.construction === 'ball' && each.file.shape === 'bead')
            .map((each) => each.extent.startMm),
        );
        const share = (rear - front) / shankMm;
        if (share > limit('shank'))
          return [
            found('warn', part, `weight lies along ${formatNumber(100 * share, 0)} % of the shank`, {
              figure: share,
              limit: limit('shank'),
              atMm: rear,
            }),
          ];
        const station = (10 * rear) / shankMm;
        if (!jigs || station <= limit('station')) return [];
        return [
          found(
            'note',
            part,
            `${partName(part.file.id)} reaches back to station ${formatNumber(station, 1)}, and the fly is to jig`,
            {
              figure: station,
              limit: limit('station'),
              atMm: rear,
            },
          ),
        ];
      });
    },
  },
];
