import type { ComponentProps } from 'react';
import { useBench } from '../store.ts';
import { VerdictStrip } from './VerdictStrip.tsx';

/** The verdict, whose ride follows a pull in each frame. */
export function LiveVerdict(props: Omit<ComponentProps<typeof VerdictStrip>, 'tight' | 'laid'>) {
  const tight = useBench((state) => state.laid.tight);
  const calm = useBench((state) => state.calm);
  return <VerdictStrip {...props} tight={tight} laid={calm} />;
}
