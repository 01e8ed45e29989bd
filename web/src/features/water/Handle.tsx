import { usePulled } from './usePulled.ts';

interface HandleProps {
  /** What is pulled, and how it stands now, in words. */
  readonly label: string;
  readonly words: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly upright: boolean;
  readonly at: readonly [x: number, y: number];
  /** Told where it is pulled to, px of the drawing. */
  readonly onPull: (x: number, y: number) => void;
  readonly onDone: () => void;
  /** A step by an arrow key: to the right, or down. */
  readonly onStep: (right: number, down: number) => void;
}

const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowDown: [0, 1],
  ArrowUp: [0, -1],
};

/** Something on a drawing that is pulled, or moved by the arrows. */
export function Handle({ label, words, value, least, most, upright, at: [x, y], onPull, onDone, onStep }: HandleProps) {
  const pulled = usePulled({ onPlace: onPull, onDone });
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-orientation={upright ? 'vertical' : 'horizontal'}
      aria-valuemin={least}
      aria-valuemax={most}
      aria-valuenow={value}
      aria-valuetext={words}
      title={`${label}: ${words}`}
      className={`absolute w-6 h-6 -mt-3 -ml-3 touch-none grid place-content-center ${upright ? 'cursor-ns-resize' : 'cursor-move'}`}
      style={{ left: x, top: y }}
      onKeyDown={(event) => {
        const by = STEPS[event.key];
        if (!by) return;
        event.preventDefault();
        event.stopPropagation();
        onStep(...by);
      }}
      {...pulled}
    >
      <span className="block w-3 h-3 rotate-45 bg-measure border border-sheet" />
    </div>
  );
}
