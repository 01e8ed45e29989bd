import type { Moment } from '@jobbet/core/water';
import { create } from 'zustand';

/** A run that is kept in sight while another line, manner, beat or fly is asked for. */
export interface Beside {
  readonly words: string;
  readonly lowestMm: number;
  readonly moments: readonly Moment[];
}

/** It stays from fly to fly, and goes with the page. */
export const useBeside = create<{ readonly beside: Beside | null }>()(() => ({ beside: null }));
export const setBeside = (beside: Beside | null): void => useBeside.setState({ beside });
