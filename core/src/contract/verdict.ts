import type { FlyReport } from '../model/index.ts';
import { formatAngle, saying, type Style } from '../units/index.ts';

const RIDES: Readonly<Record<string, string>> = {
  'point-up': 'rides point up',
  'point-down': 'rides point down',
  'on-its-side': 'lies on its side',
  undecided: 'rides either way up, the wing decides',
};

/** A ride that is held against a swing so fast is firm, to so little is slack. mm/s */
const FIRM = { firmly: 100, loosely: 50 } as const;

/** How firmly a ride is held, in a word. */
const firmness = (holdsTo: number | null): string =>
  holdsTo === null || holdsTo >= FIRM.firmly ? ', firmly' : holdsTo < FIRM.loosely ? ', loosely' : '';

/** How far it stands from straight up or down, degrees. */
const lean = (heel: number): number => Math.min(Math.abs(heel), 180 - Math.abs(heel));

/**
 * What a fly does, as a sentence of a few parts.
 * @example verdictSentence(report, METRIC) // 'Rides point up, firmly; leans nowhere; a swing over 12 cm/s rolls it.'
 */
export function verdictSentence({ keel, sink }: Pick<FlyReport, 'keel' | 'sink'>, style: Style): string {
  const { speed } = saying(style);
  const { ride, heel_deg } = keel.tight;
  const undecided = ride === 'undecided';
  const words = `${RIDES[ride] ?? ride}${undecided ? '' : firmness(keel.holdsTo_mm_s)}`;
  const leaning = heel_deg === null || undecided ? null : lean(heel_deg);
  const parts = [
    words.charAt(0).toUpperCase() + words.slice(1),
    ...(leaning === null ? [] : [leaning < 1 ? 'leans nowhere' : `leans ${formatAngle(leaning, style)}°`]),
    ...(undecided
      ? []
      : [keel.holdsTo_mm_s === null ? 'no swing rolls it' : `a swing over ${speed(keel.holdsTo_mm_s)} rolls it`]),
    sink === null ? 'floats' : `falls ${speed(sink.terminal_mm_s)} free and soaked, ${sink.class}`,
  ];
  return `${parts.join('; ')}.`;
}
