import type { Fault } from '@jobbet/core/base';
import type { BatchReport, NeedReport, PrepReport, RowReport } from '@jobbet/core/batch';
import { patternAt, pinOf, progressAt, stateAt, type BatchFile, type HookAt } from '@jobbet/core/records';
import { partName } from '@jobbet/core/tying';
import { formatLength, formatNumber, type Style } from '@jobbet/core/units';
import { clockText, dayWords, dryAt } from './clock.ts';

/** A length of stock: metres from one on. */
const stockLength = (mm: number, style: Style): string => {
  const written = formatLength(mm, style);
  return style.length === 'mm' && mm >= 1000
    ? `${formatNumber(mm / 1000, 1, style)} m`
    : `${written.figure} ${written.unit}`;
};

/** So much of an item, in the unit it is counted in. */
export const amountWords = (amount: number, { unit }: Pick<NeedReport, 'unit'>, style: Style): string =>
  unit === 'mm' ? stockLength(amount, style) : `${formatNumber(amount, 0, style)}${unit === 'flies' ? ' flies' : ''}`;

/** `392 of 397 mm`: what there is of what is needed. */
export function stockWords(need: NeedReport, style: Style): string {
  const wanted = amountWords(need.need, need, style);
  return need.have === null ? `${wanted}, not counted` : `${amountWords(need.have, need, style)} for ${wanted}`;
}

export const itemWords = ({ item, colour }: Pick<NeedReport, 'item' | 'colour'>): string =>
  colour === null ? item : `${item}, ${colour}`;

const lengthWords = (mm: number, style: Style): string => Object.values(formatLength(mm, style)).join(' ');

/** Which length of the drawer a piece is cut from. */
export const fromWords = ({ from, of }: PrepReport, style: Style): string =>
  from === 'to buy'
    ? 'to be bought first'
    : `from piece ${from ?? ''}${of === null ? '' : `, ${lengthWords(of, style)}`}`;

/** Where a piece is marked before it is tied in. */
export const pointWords = ({ as, at_mm: at }: PrepReport['points'][number], style: Style): string =>
  `marked at ${lengthWords(at, style)}, where it goes on as ${partName(as)}`;

/** What lies there made ready, as it is taken up at the vise. */
export function madeReadyWords(prep: PrepReport, style: Style): string {
  const { cut_mm: cut, from, what, points } = prep;
  // What is not cut beforehand, as a hackle is not, is told by what was done to it.
  const piece = cut === null || !what.startsWith('cut') ? what : `cut to ${lengthWords(cut, style)}`;
  return [
    from === null ? piece : `${piece} ${fromWords(prep, style)}`,
    ...points.map((each) => pointWords(each, style)),
  ].join('; ');
}

/** What becomes short, in a sentence; null where nothing does. */
export function shortWords(need: NeedReport, style: Style): string | null {
  if (need.runsOutAt === null) return null;
  const missing =
    need.short === null || need.short === 0
      ? 'what is left is in too short pieces'
      : `${amountWords(need.short, need, style)} more`;
  return `Ends before fly ${String(need.runsOutAt.fly)}: ${missing}.`;
}

/** The evening each fly is tied on as it falls, by its number. */
export const eveningsByFly = ({ time }: BatchReport): ReadonlyMap<number, string> =>
  new Map(
    time.schedule.flatMap(({ step, fly, evening }) =>
      step === 'tie' && fly !== null && evening !== null ? [[fly, evening]] : [],
    ),
  );

/** Where one fly is, in words: for whoever does not see the rack. @param evening the day it is tied on; null where there is none */
export function hookWords(
  batch: BatchFile,
  at: HookAt,
  row: RowReport | undefined,
  now: number,
  evening: string | null = null,
): string {
  const state = stateAt(batch, at);
  if (state === 'to-come' && evening !== null)
    return `${STATES[state]}, ${dayWords(evening)}${pinOf(batch, at) === null ? '' : ', put there'}`;
  if (state !== 'drying') return STATES[state];
  const on = progressAt(batch, at.row, at.n)?.coats?.length ?? 0;
  const of = row?.coats_min.length ?? on;
  const dry = dryAt(batch, at, row);
  const when = dry === null ? '' : dry > now ? `, dry at ${clockText(dry)}` : ', dry';
  return `coat ${String(on)} of ${String(of)}${when}`;
}

export const STATES = {
  'to-come': 'to come',
  vise: 'in the vise',
  drying: 'drying',
  kept: 'in the box',
  spoilt: 'spoilt',
  apart: 'taken apart',
} as const;

/** What is to be settled of a batch: what runs out, what does not fit its evenings, what stops a fly. */
export function unsettled(report: BatchReport): string[] {
  const out = report.needs.filter(({ runsOutAt }) => runsOutAt !== null).length;
  const { left } = report.time;
  return [
    ...(out > 0 ? [`${String(out)} ${out === 1 ? 'runs' : 'run'} out`] : []),
    ...(left.length > 0 ? [`${String(left.length)} ${left.length === 1 ? 'fly finds' : 'flies find'} no evening`] : []),
  ];
}

/** Hours and minutes: `1 h 25`, `25 min`. */
export function durationWords(minutes: number): string {
  const whole = Math.round(minutes);
  const [h, m] = [Math.floor(whole / 60), whole % 60];
  return h === 0 ? `${String(m)} min` : `${String(h)} h ${String(m).padStart(2, '0')}`;
}

export const moneyWords = (amount: number, style: Style): string => formatNumber(amount, 2, style);

/** The name of a row's fly, as it was planned. @param row from 1 */
export function rowWords(batch: BatchFile, row: number): string {
  const name = patternAt(batch, row - 1)?.['name'];
  return typeof name === 'string' ? name : (batch.rows[row - 1]?.fly ?? '');
}

/** A fault of a plan as a tier would say its place: `Row 2, wing colour: …`. */
export function faultWords({ path, message }: Fault): string {
  const [, row, rest = ''] = /^rows\[(\d+)\]\.?(.*)$/.exec(path) ?? [];
  if (row === undefined) return `${message}.`;
  const place = rest
    .replace(/^(shade|on|fly)\b[.:]?\s*/, '')
    .replace(/\./g, ' ')
    .trim();
  return `Row ${String(Number(row) + 1)}${place === '' ? '' : `, ${place}`}: ${message}.`;
}
