import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, useState } from 'react';
import type { StoredFly } from '../api/client.ts';
import { useSize } from '../drawing/useSize.ts';
import { BoxRow } from './BoxRow.tsx';
import { CommonRule } from './CommonRule.tsx';
import { SinkLadder } from './SinkLadder.tsx';

const ROW = 84;
const LADDER = 150;
/** px a drawing may stand out of its row above and below; only the longest hackles do. */
const OVER = 10;
/** px across that the drawings get, and px to the mm at most; all flies share one scale. */
const ACROSS = 350;
const MOST_SCALE = 4.4;

interface BoxListProps {
  readonly flies: readonly StoredFly[];
  readonly at: number;
  readonly ladder: boolean;
  readonly onOpen: (fly: StoredFly) => void;
  readonly onPick: (index: number) => void;
  readonly onCopy: (fly: StoredFly) => void;
  readonly onRename: (fly: StoredFly) => void;
  readonly onRemove: (fly: StoredFly) => void;
}

/** The reach of all drawings from the eye, mm, and the scale at which the longest and the tallest fit. */
function commonScale(flies: readonly StoredFly[]): { frontMm: number; rearMm: number; scale: number } {
  const most = (least: number, of: (fly: StoredFly) => number): number => Math.max(least, ...flies.map(of));
  const frontMm = most(6, (fly) => -fly.summary.frontMm);
  const rearMm = most(30, (fly) => fly.summary.rearMm);
  const tallMm = most(10, (fly) => fly.summary.topMm - fly.summary.bottomMm);
  return { frontMm, rearMm, scale: Math.min(MOST_SCALE, (ROW + 2 * OVER - 4) / tallMm, ACROSS / (frontMm + rearMm)) };
}

/** Only the rows in sight are there, so that a box of hundreds stays quick. */
export function BoxList({ flies, at, ladder, onOpen, onPick, onCopy, onRename, onRemove }: BoxListProps) {
  const frame = useRef<HTMLDivElement>(null);
  const { height } = useSize(frame);
  const [scroll, setScroll] = useState(0);
  const rows = useVirtualizer({
    count: flies.length,
    getScrollElement: () => frame.current,
    estimateSize: () => ROW,
    overscan: 4,
  });
  useEffect(() => {
    rows.scrollToIndex(at);
  }, [rows, at]);
  const common = commonScale(flies);
  return (
    <div className="flex-1 min-h-0 flex flex-col">
      <CommonRule left={LADDER} {...common} />
      <div className="flex-1 min-h-0 relative">
        {ladder && <SinkLadder flies={flies} at={at} width={LADDER} height={height} scroll={scroll} row={ROW} />}
        <div
          ref={frame}
          className="absolute inset-0 overflow-y-auto"
          onScroll={(event) => {
            setScroll(event.currentTarget.scrollTop);
          }}
        >
          <ul aria-label="Flies" className="relative" style={{ height: rows.getTotalSize() }}>
            {rows.getVirtualItems().map((item) => {
              const fly = flies[item.index];
              if (!fly) return null;
              return (
                <BoxRow
                  key={fly.id}
                  fly={fly}
                  place={{
                    index: item.index,
                    of: flies.length,
                    top: item.start,
                    height: ROW,
                    left: LADDER,
                    over: OVER,
                  }}
                  picked={item.index === at}
                  {...common}
                  onOpen={() => {
                    onOpen(fly);
                  }}
                  onPick={() => {
                    onPick(item.index);
                  }}
                  onCopy={() => {
                    onCopy(fly);
                  }}
                  onRename={() => {
                    onRename(fly);
                  }}
                  onRemove={() => {
                    onRemove(fly);
                  }}
                />
              );
            })}
          </ul>
        </div>
      </div>
    </div>
  );
}
