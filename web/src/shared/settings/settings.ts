import { PAPERS, type Paper } from '@jobbet/core/drawing';
import { DRILLS } from '@jobbet/core/records';
import { METRIC, styleSchema, type Style } from '@jobbet/core/units';
import { z } from 'zod';
import { create } from 'zustand';
import { kept } from '../kept/kept.ts';
import { decimalOfBrowser } from './browser.ts';

/** One that does not read falls back by itself; the others stay. */
const settingsSchema = z.object({
  length: styleSchema.shape.length.catch(METRIC.length),
  mass: styleSchema.shape.mass.catch(METRIC.mass),
  speed: styleSchema.shape.speed.catch(METRIC.speed),
  temperature: styleSchema.shape.temperature.catch(METRIC.temperature),
  /** As the browser's language writes numbers, until another is chosen. */
  decimal: styleSchema.shape.decimal.catch(decimalOfBrowser()),
  hand: z.enum(['right', 'left']).catch('right'),
  /** Whose hands tie here, where several share a box; nothing where there is but one. */
  tier: z.string().trim().max(80).catch(''),
  theme: z.enum(['system', 'light', 'dark']).catch('system'),
  singleKeys: z.boolean().catch(true),
  /** Whether a bare number takes the unit that is shown, or is asked back. */
  bareNumbers: z.enum(['shown', 'ask']).catch('shown'),
  /** Whether a sheet writes techniques out where they are first needed. */
  beginner: z.boolean().catch(false),
  /** Which drill was on last, and whether its hooks are drawn at their own size. */
  drillOf: z.enum(DRILLS).catch('length'),
  drillTrue: z.boolean().catch(false),
  /** Whether the drill asks for the order of a whole fly, and not for the next part. */
  drillWhole: z.boolean().catch(false),
  mode: z.enum(['lines', 'dressed', 'silhouette']).catch('dressed'),
  /** Whether the bench shows the fly from the front too; null where there is room. */
  front: z.boolean().nullable().catch(null),
  /** Whether the inspector shows all of a part, and not its relation alone. */
  more: z.boolean().catch(false),
  /** Whether checks that cost only looks are shown. */
  looks: z.boolean().catch(true),
  paper: z.enum(Object.keys(PAPERS) as [Paper, ...Paper[]]).catch('a4'),
  /** How much larger to print than drawn, so that what is printed is true. */
  printScale: z.number().positive().catch(1),
  /** px of this screen to the millimetre, once it was calibrated. */
  screenPxPerMm: z.number().positive().nullable().catch(null),
  /** The leader that is drawn down after a fly, as written; nothing for the fly alone. */
  leaderLength: z.string().catch(''),
  leaderThick: z.string().catch(''),
  /** Air left in the soft parts at first, as a share of their envelope. */
  airShare: z.number().min(0).max(1).catch(0),
});
export type Settings = Readonly<z.infer<typeof settingsSchema>>;

/** Settings stood one level deeper once. */
const nested = z.object({ state: z.record(z.string(), z.unknown()) });
export const settingsKept = kept<Settings>(
  'jobbet.settings',
  z.preprocess((value) => nested.safeParse(value).data?.state ?? value, settingsSchema),
  settingsSchema.parse({}),
);

/** How one person likes it: units, hand, theme, keys. Kept in this browser. */
export const useSettings = create<Settings>()(settingsKept.read);

export function setSettings(change: Partial<Settings>): void {
  useSettings.setState(change);
  settingsKept.write(useSettings.getState());
}

const STYLE = Object.keys(METRIC) as (keyof Style)[];

let style: Style = METRIC;

/** The units and the decimal sign of the settings: the same object for as long as they are the same. */
function styleOf(settings: Settings): Style {
  if (STYLE.some((key) => style[key] !== settings[key]))
    style = Object.fromEntries(STYLE.map((key) => [key, settings[key]])) as unknown as Style;
  return style;
}

/** The units and the decimal sign, and nothing else of the settings: it may go to a worker or over the wire. */
export const useStyle = (): Style => useSettings(styleOf);

let query: MediaQueryList | undefined;
const darkQuery = (): MediaQueryList => (query ??= window.matchMedia('(prefers-color-scheme: dark)'));

export const isDark = (theme: Settings['theme']): boolean =>
  theme === 'dark' || (theme === 'system' && darkQuery().matches);

/** Keeps the root's class in step with the theme. */
export function followTheme(): void {
  const apply = (): void => {
    document.documentElement.classList.toggle('dark', isDark(useSettings.getState().theme));
  };
  apply();
  useSettings.subscribe(apply);
  darkQuery().addEventListener('change', apply);
}
