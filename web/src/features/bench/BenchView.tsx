import { BenchBoard } from './BenchBoard.tsx';
import { useSaver } from '../../fly/frame/FlyOnBench.tsx';

/** The bench: one fly laid out, with everything done to it kept. */
export function BenchView() {
  return <BenchBoard saver={useSaver()} />;
}
