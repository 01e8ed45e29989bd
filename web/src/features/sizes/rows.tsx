import type { FlyReport, LaidFly, LaidPart } from '@jobbet/core/model';
import { tipRelation } from '@jobbet/core/edit';
import type { Pin } from '@jobbet/core/study';
import { formatLength, formatNumber, formatMass, formatSpeed, type Style } from '@jobbet/core/units';
import type { ReactNode } from 'react';
import type { RunAnswer } from './reckon.ts';
import { RideGlyph, rideWords } from '../../shared/ui/RideGlyph.tsx';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';

/** What of a cell may be pinned on one size: where it stands in the file, and what it says there now. */
export type Pinnable = Pick<Pin, 'part' | 'key' | 'value'>;

/** One row of the run's table. */
export interface RowOf {
  readonly name: string;
  readonly said: string;
  readonly cell: (report: FlyReport, laid: LaidFly, answer: Extract<RunAnswer, { ok: true }>) => ReactNode;
  readonly pin?: (laid: LaidFly) => Pinnable | null;
}

const partIn = (laid: LaidFly, id: string): LaidPart | undefined => laid.parts.find((each) => each.file.id === id);

/** The pin of a key of a part, told by what the file says on that size. */
const pinOf =
  (id: string, key: string) =>
  (laid: LaidFly): Pinnable | null => {
    const value = (partIn(laid, id)?.file as Record<string, unknown> | undefined)?.[key];
    return typeof value === 'string' || typeof value === 'number' ? { part: id, key, value: String(value) } : null;
  };

/** What a part is measured by: free length of what has a tip, across a ball, turns of wire, strands. */
function partRows(part: LaidPart, style: Style): RowOf[] {
  const { file } = part;
  const { id } = file;
  const length = (mm: number): string => formatLength(mm, style).figure;
  if (file.construction === 'ball')
    return [
      {
        name: id,
        said: file.diameter,
        cell: (_report, laid) => {
          const ball = partIn(laid, id);
          return ball ? (
            <>
              {length(ball.extent.lengthMm)} <span className="italic text-ink2">{ball.built.material}</span>
            </>
          ) : (
            '–'
          );
        },
        pin: pinOf(id, 'diameter'),
      },
    ];
  if (file.construction === 'wrap' && file.role === 'underbody')
    return [
      {
        name: id,
        said: part.built.material,
        cell: (_report, laid) => {
          const wire = partIn(laid, id);
          const strand = wire?.extent.lengths['strand']?.mm;
          const turns = `${formatNumber(wire?.built.turns ?? 0, 0, style)} turns`;
          return strand === undefined ? turns : `${turns} of ${length(strand)}`;
        },
        pin: pinOf(id, 'turns'),
      },
    ];
  const tip = tipRelation(part);
  const rows: RowOf[] = tip
    ? [
        {
          name: id,
          said: tip.text,
          cell: (_report, laid) => {
            const laidPart = partIn(laid, id);
            return laidPart ? length(laidPart.extent.lengthMm) : '–';
          },
          pin: pinOf(id, tip.key),
        },
      ]
    : [];
  if (!('strands' in file) || file.strands === undefined) return rows;
  return [
    ...rows,
    {
      name: `${id} strands`,
      said: 'as counted',
      cell: (_report, laid) => {
        const now = partIn(laid, id)?.file;
        return now && 'strands' in now ? String(now.strands ?? '–') : '–';
      },
      pin: pinOf(id, 'strands'),
    },
  ];
}

/** The rows of a run: what is cut and fitted, then what comes of it. */
export function rowsOf(own: LaidFly, style: Style): RowOf[] {
  const length = (mm: number): string => formatLength(mm, style).figure;
  const speed = (mmS: number): string => Object.values(formatSpeed(mmS, style)).join(' ');
  return [
    {
      name: 'shank, gap',
      said: style.length,
      cell: ({ platform }) =>
        `${length(platform.shank_mm)}${platform.gap_mm === null ? '' : `, ${length(platform.gap_mm)}`}`,
      pin: ({ file: { platform }, platform: laid }) =>
        platform.kind === 'tube' || platform.kind === 'shank'
          ? null
          : { part: null, key: 'shank', value: platform.shank ?? `${laid.shankMm.toFixed(1)} mm` },
    },
    ...own.parts.flatMap((part) => partRows(part, style)),
    {
      name: 'thread',
      said: 'denier',
      cell: (_report, laid) => String(laid.file.thread?.denier ?? '–'),
      pin: (laid) => ({ part: null, key: 'denier', value: String(laid.file.thread?.denier ?? '') }),
    },
    {
      name: 'rides',
      said: '× what tips it',
      cell: ({ keel }, laid) => (
        <span className="flex items-center gap-1.5">
          <RideGlyph
            ride={keel.tight.ride}
            heelDeg={keel.tight.heel_deg}
            balls={laid.parts.some((part) => part.built.ball?.sided === true)}
            size={26}
          />
          <span
            className={
              laid.file.intent?.ride !== undefined && laid.file.intent.ride !== keel.tight.ride ? 'text-warn' : ''
            }
          >
            {rideWords(keel.tight.ride)}
            {keel.tipping && <span className="italic text-ink2"> {formatNumber(keel.tipping.ratio, 2, style)} ×</span>}
          </span>
        </span>
      ),
    },
    {
      name: 'holds to',
      said: 'side current',
      cell: ({ keel }) => (keel.holdsTo_mm_s === null ? 'any' : speed(keel.holdsTo_mm_s)),
    },
    { name: 'sinks', said: 'still water', cell: ({ sink }) => (sink ? speed(sink.terminal_mm_s) : 'floats') },
    { name: 'weighs', said: 'dry', cell: ({ weight }) => Object.values(formatMass(weight.dry_mg, style)).join(' ') },
    {
      name: 'checks',
      said: 'to settle',
      cell: (_report, _laid, { settle }) =>
        settle === 0 ? (
          '0'
        ) : (
          <span className="text-warn font-semibold">
            <SnagFlag /> {settle}
          </span>
        ),
    },
  ];
}
