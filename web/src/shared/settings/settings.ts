import type { DrawMode, Hand, Paper } from '@jobbet/core/drawing';
import { METRIC, type Style } from '@jobbet/core/units';
import { create } from 'zustand';
import { createJSONStorage, persist, type StateStorage } from 'zustand/middleware';
import { browserStore } from '../kept/kept.ts';

export interface Settings extends Style {
  readonly hand: Hand;
  readonly theme: 'system' | 'light' | 'dark';
  readonly singleKeys: boolean;
  readonly mode: DrawMode;
  /** Whether checks that cost only looks are shown. */
  readonly looks: boolean;
  readonly paper: Paper;
  /** How much larger to print than drawn, so that what is printed is true. */
  readonly printScale: number;
  /** px of this screen to the millimetre, once it was calibrated. */
  readonly screenPxPerMm: number | null;
  /** The leader that is drawn down after a fly, as written; nothing for the fly alone. */
  readonly leaderLength: string;
  readonly leaderThick: string;
  /** Air left in the soft parts at first, as a share of their envelope. */
  readonly airShare: number;
}

interface SettingsStore extends Settings {
  readonly set: (change: Partial<Settings>) => void;
}

const storage: StateStorage = {
  ...browserStore,
  setItem: (key, text) => {
    browserStore.setItem(key, text);
  },
};

/** How one person likes it: units, hand, theme, keys. Kept in this browser. */
export const useSettings = create<SettingsStore>()(
  persist(
    (set) => ({
      ...METRIC,
      hand: 'right',
      theme: 'system',
      singleKeys: true,
      mode: 'dressed',
      looks: true,
      paper: 'a4',
      printScale: 1,
      screenPxPerMm: null,
      leaderLength: '',
      leaderThick: '',
      airShare: 0,
      set: (change) => {
        set(change);
      },
    }),
    { name: 'jobbet.settings', storage: createJSONStorage(() => storage) },
  ),
);

export const useStyle = (): Style => useSettings();

const darkQuery = (): MediaQueryList => window.matchMedia('(prefers-color-scheme: dark)');

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
