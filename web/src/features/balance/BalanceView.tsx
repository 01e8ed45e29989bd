import { useSaver } from '../../fly/frame/FlyOnBench.tsx';
import { BalanceBoard } from './BalanceBoard.tsx';

/** The balance of one fly, which is on the bench as well: whatever is changed here is kept and undone as there. */
export function BalanceView() {
  return <BalanceBoard saver={useSaver()} />;
}
