import { FlyOnBench } from '../bench/BenchView.tsx';
import { BalanceBoard } from './BalanceBoard.tsx';

/** The balance of one fly, which is on the bench as well: whatever is changed here is kept and undone as there. */
export const BalanceView = () => <FlyOnBench board={(saver) => <BalanceBoard saver={saver} />} />;
