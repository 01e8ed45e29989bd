import type { FlySummary } from '@jobbet/core/contract';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { ListedFly } from '../../shared/api/client.ts';
import { useInBox } from '../../fly/batches/useInBox.ts';
import { isSound } from '../../shared/api/listed.ts';
import { useSize } from '../../shared/ui/useSize.ts';
import { BoxRow, type RowPlace } from './BoxRow.tsx';
import { BrokenRow } from './BrokenRow.tsx';
import { headingAt } from './sorting.ts';
import type { Chosen } from './useChosen.ts';
import type { ShownFlies } from './useShownFlies.ts';
import { CommonRule } from './CommonRule.tsx';
import { SinkLadder } from './SinkLadder.tsx';

const ROW = 96;
const LADDER = 150;
/** px a drawing may stand out of its row above and below; only the longest hackles do. */
const OVER = 10;
/** The share of the width that the drawings get, px across at most, and px to the mm at most; all flies share one scale. */
const ACROSS = { share: 0.38, most: 560 };
const MOST_SCALE = 6;
/** In a narrow window the room is the flies'. */
const NARROW = 900;

interface BoxListProps {
  readonly flies: readonly ListedFly[];
  readonly at: number;
  /** How they are ordered: by sinking they stand beside a ladder, by group each begins with its word, by a beat they say how they fish there. */
  readonly order: Pick<ShownFlies, 'sort' | 'here' | 'lastOut'>;
  readonly chosen: Chosen;
  readonly onOpen: (fly: ListedFly) => void;
  readonly onPick: (index: number) => void;
  readonly onCopy: (fly: ListedFly) => void;
  readonly onRename: (fly: ListedFly) => void;
  readonly onRemove: (fly: ListedFly) => void;
}

/** The reach of all drawings from the eye, mm, and the scale at which the longest and the tallest fit. */
function commonScale(flies: readonly ListedFly[], width: number): { frontMm: number; rearMm: number; scale: number } {
  const most = (least: number, of: (summary: FlySummary) => number): number =>
    flies.reduce((so, { summary }) => (summary ? Math.max(so, of(summary)) : so), least);
  const frontMm = most(6, (summary) => -summary.frontMm);
  const rearMm = most(30, (summary) => summary.rearMm);
  const tallMm = most(10, (summary) => summary.topMm - summary.bottomMm);
  const across = Math.min(ACROSS.most, ACROSS.share * width);
  return { frontMm, rearMm, scale: Math.min(MOST_SCALE, (ROW + 2 * OVER - 4) / tallMm, across / (frontMm + rearMm)) };
}

/** Only the rows in sight are there, so that a box of hundreds stays quick. */
export function BoxList(props: BoxListProps) {
  const { flies, at, order } = props;
  const here = order.sort === 'here' ? order.here : null;
  const said = useMemo(() => new Map(here?.flies.map(({ id, words }) => [id, words])), [here]);
  const inBox = useInBox();
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const withLadder = order.sort === 'sink' && width >= NARROW;
  const left = withLadder ? LADDER : 0;
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
  const common = useMemo(() => commonScale(flies, width), [flies, width]);
  return (
    <div className="flex-1 min-h-0 flex flex-col">
      <CommonRule left={left} {...common} />
      <div className="flex-1 min-h-0 relative">
        {withLadder && <SinkLadder flies={flies} at={at} width={LADDER} height={height} scroll={scroll} row={ROW} />}
        <div
          ref={frame}
          className="absolute inset-0 overflow-y-auto"
          onScroll={(event) => setScroll(event.currentTarget.scrollTop)}
        >
          <ul aria-label="Flies" className="relative" style={{ height: rows.getTotalSize() }}>
            {rows.getVirtualItems().map((item) => {
              const fly = flies[item.index];
              if (!fly) return null;
              const place = { index: item.index, of: flies.length, top: item.start, height: ROW, left, over: OVER };
              return (
                <OneRow
                  key={fly.id}
                  fly={fly}
                  place={place}
                  picked={item.index === at}
                  said={said.get(fly.id) ?? null}
                  heading={order.sort === 'group' ? headingAt(flies, item.index) : null}
                  common={common}
                  inBox={inBox.get(fly.id) ?? 0}
                  lastOut={order.lastOut.get(fly.id) ?? null}
                  list={props}
                />
              );
            })}
          </ul>
        </div>
      </div>
    </div>
  );
}

interface OneRowProps {
  readonly fly: ListedFly;
  readonly place: RowPlace;
  readonly picked: boolean;
  readonly heading: string | null;
  readonly said: string | null;
  readonly common: ReturnType<typeof commonScale>;
  readonly inBox: number;
  readonly lastOut: string | null;
  readonly list: BoxListProps;
}

/** A fly as it is, or what keeps one from being laid out. */
function OneRow({ fly, place, picked, heading, said, common, inBox, lastOut, list }: OneRowProps) {
  const { chosen, onOpen, onPick, onCopy, onRename, onRemove } = list;
  const onThis = { onPick: () => onPick(place.index), onRemove: () => onRemove(fly) };
  if (!isSound(fly)) return <BrokenRow fly={fly} place={place} picked={picked} {...onThis} />;
  return (
    <BoxRow
      fly={fly}
      place={place}
      picked={picked}
      heading={heading}
      said={said}
      inBox={inBox}
      lastOut={lastOut}
      chosen={chosen.has(fly.id)}
      {...common}
      {...onThis}
      onOpen={() => onOpen(fly)}
      onChoose={(through) => chosen.toggle(fly.id, through)}
      onCopy={() => onCopy(fly)}
      onRename={() => onRename(fly)}
    />
  );
}
