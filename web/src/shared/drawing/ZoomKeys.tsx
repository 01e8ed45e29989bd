import type { Zoom } from './layout.ts';

/** The buttons that zoom, for those without a wheel. */
export function ZoomKeys({
  zoom,
  onZoom,
  onFit,
  left,
}: {
  readonly zoom: Zoom;
  readonly onZoom: (by: number) => void;
  readonly onFit: () => void;
  /** Where they begin, px. */
  readonly left: number;
}) {
  const key = 'size-6 border border-hair bg-sheet text-ink2 hover:text-ink';
  return (
    <div className="absolute top-[7px] flex gap-1 no-print" style={{ left }}>
      <button
        type="button"
        className={key}
        aria-label="Zoom out"
        disabled={zoom.factor === 1}
        onClick={() => onZoom(1 / 1.3)}
      >
        −
      </button>
      <button type="button" className={key} aria-label="Zoom in" onClick={() => onZoom(1.3)}>
        +
      </button>
      {zoom.factor > 1 && (
        <button type="button" className={`${key} w-auto px-2`} onClick={onFit}>
          fit
        </button>
      )}
    </div>
  );
}
