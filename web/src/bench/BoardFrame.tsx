import { useEffect, useState, type ReactNode } from 'react';
import { useOffered } from '../shell/useKeys.ts';
import { BenchBar } from './BenchBar.tsx';
import { ConflictDialog } from './ConflictDialog.tsx';
import { HistoryDialog } from './HistoryDialog.tsx';
import type { Saver } from './saver.ts';
import { redo, undo, useBench, useBenchStore } from './store.ts';

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
  const showHistory = (): void => {
    setHistory(true);
  };
  useLeaveGuard(save);
  useOffered('frame', [
    {
      name: 'Undo',
      group: 'Fly',
      keys: 'ctrl+z or z',
      run: () => {
        undo(bench);
      },
    },
    {
      name: 'Redo',
      group: 'Fly',
      keys: 'ctrl+shift+z or ctrl+y or shift+z',
      run: () => {
        redo(bench);
      },
    },
    { name: 'History of this fly', group: 'Fly', keys: 'h', run: showHistory },
  ]);
  return (
    <div className={`flex flex-col h-full min-w-[1000px] ${className}`}>
      <BenchBar onHistory={showHistory} />
      {children}
      {history && (
        <HistoryDialog
          saver={saver}
          onClose={() => {
            setHistory(false);
          }}
        />
      )}
      {save === 'conflict' && <ConflictDialog saver={saver} />}
    </div>
  );
}

/** Asks before the window closes only while something is not on the server. */
function useLeaveGuard(save: string): void {
  useEffect(() => {
    if (save !== 'failed' && save !== 'conflict') return;
    const guard = (event: BeforeUnloadEvent): void => {
      event.preventDefault();
    };
    window.addEventListener('beforeunload', guard);
    return () => {
      window.removeEventListener('beforeunload', guard);
    };
  }, [save]);
}
