/** What a browser may have for a tier with both hands busy. Each is absent where the browser lacks it; tests bring their own. */
export interface ViseMachine {
  /** Speaks words, ending what is spoken; null where there is no voice. */
  readonly speak: ((words: string) => void) | null;
  readonly hush: () => void;
  /** Keeps the screen lit; answers with what lets it go. Null where that cannot be asked. */
  readonly keepLit: (() => Promise<() => void>) | null;
  readonly now: () => number;
}

/** The browser's own. */
export function browserMachine(): ViseMachine {
  const voice = 'speechSynthesis' in window ? window.speechSynthesis : null;
  const lock = 'wakeLock' in navigator ? navigator.wakeLock : null;
  return {
    speak: voice
      ? (words) => {
          voice.cancel();
          voice.speak(new SpeechSynthesisUtterance(words));
        }
      : null,
    hush: () => voice?.cancel(),
    keepLit: lock
      ? async () => {
          const held = await lock.request('screen');
          return () => void held.release();
        }
      : null,
    now: () => Date.now(),
  };
}
