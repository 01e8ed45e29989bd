import type { ComponentProps } from 'react';
import { useBench } from '../store.ts';
import { useCertaintyAtRest } from './useCertainty.ts';
import { VerdictStrip } from './VerdictStrip.tsx';

/** The verdict, whose ride follows a pull in each frame. */
export function LiveVerdict(props: Omit<ComponentProps<typeof VerdictStrip>, 'tight' | 'laid' | 'certain'>) {
  const tight = useBench((state) => state.laid.tight);
  const calm = useBench((state) => state.calm);
  const certain = useCertaintyAtRest(calm, props.current);
  return <VerdictStrip {...props} tight={tight} laid={calm} certain={certain} />;
}
