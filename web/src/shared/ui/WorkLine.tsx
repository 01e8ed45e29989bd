import { useWork } from './work.ts';

/** How far long work is, at the foot of the window, and the way to stop it. */
export function WorkLine() {
  const work = useWork((state) => state.work);
  if (!work) return null;
  return (
    <div
      role="status"
      className="fixed bottom-6 left-1/2 -translate-x-1/2 z-40 no-print flex items-center gap-4 bg-sheet border border-ink px-4 py-2"
    >
      <span>{work.words}</span>
      <progress
        className="w-40 accent-[var(--measure)]"
        aria-label={work.words}
        {...(work.share === null ? {} : { value: work.share })}
      />
      <button type="button" className="font-bold underline underline-offset-2" onClick={work.stop}>
        Stop
      </button>
    </div>
  );
}
