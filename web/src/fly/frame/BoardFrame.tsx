import { useEffect, useState, type ReactNode } from 'react';
import { useOffered } from '../../shared/commands/useKeys.ts';
import { FlyBar } from './FlyBar.tsx';
import { ConflictDialog } from './ConflictDialog.tsx';
import { HistoryDialog } from './HistoryDialog.tsx';
import type { Saver } from '../saver.ts';
import { isToSettle, redo, undo, useBench, useBenchStore, type BenchState } from '../store.ts';

interface BoardFrameProps {
  readonly saver: Saver;
  readonly className?: string;
  readonly children: ReactNode;
}

/** What every view of the fly on the bench stands in: its bar, undo and redo, its history, and what to do when it was saved elsewhere too. */
export function BoardFrame({ saver, className = '', children }: BoardFrameProps) {
  const bench = useBenchStore();
  const save = useBench((state) => state.save);
  const [history, setHistory] = useState(false);
  const showHistory = (): void => setHistory(true);
  useLeaveGuard(useBench(mayBeLost));
  useOffered('frame', [
    {
      name: 'Undo',
      also: 'back revert',
      group: 'Fly',
      keys: 'ctrl+z or z',
      run: () => undo(bench),
    },
    {
      name: 'Redo',
      also: 'again forward',
      group: 'Fly',
      keys: 'ctrl+shift+z or ctrl+y or shift+z',
      run: () => redo(bench),
    },
    { name: 'History of this fly', also: 'versions earlier keep', group: 'Fly', keys: 'h', run: showHistory },
  ]);
  return (
    <div className={`flex flex-col h-full ${className}`}>
      <FlyBar onHistory={showHistory} />
      {children}
      {history && <HistoryDialog saver={saver} onClose={() => setHistory(false)} />}
      {isToSettle(save) && <ConflictDialog saver={saver} as={save} />}
    </div>
  );
}

/** Whether closing the window now might cost something: it is to be settled, could not be saved, or stands in this page alone. */
const mayBeLost = ({ save, onDevice }: BenchState): boolean =>
  save === 'failed' || isToSettle(save) || (save !== 'saved' && !onDevice);

/** Asks before the window closes only where something might be lost by it. */
function useLeaveGuard(asks: boolean): void {
  useEffect(() => {
    if (!asks) return;
    const guard = (event: BeforeUnloadEvent): void => event.preventDefault();
    window.addEventListener('beforeunload', guard);
    return () => window.removeEventListener('beforeunload', guard);
  }, [asks]);
}
