import { layFly, type LaidFly, meantFor } from '@jobbet/core/model';
import type { FlyFile } from '@jobbet/core/pattern';
import { WATER_COLOURS, SUN, finestMm, type Sight } from '@jobbet/core/study';
import { formatLength } from '@jobbet/core/units';
import { useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { z } from 'zod';
import { SEEN } from './commands.ts';
import { depthWords, SightBar } from './SightBar.tsx';
import { ChoiceField } from '../../shared/fields/Fields.tsx';
import { useBench } from '../../fly/store.ts';
import { useSize } from '../../shared/ui/useSize.ts';
import { isSound, useFlies, useFlyOf } from '../../shared/api/listed.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { kept } from '../../shared/kept/kept.ts';
import { BoardFrame } from '../../fly/frame/BoardFrame.tsx';
import { useSaver } from '../../fly/frame/FlyOnBench.tsx';
import { useTable } from '../../shared/commands/useKeys.ts';
import { scaleFor, SeenRow } from './SeenRow.tsx';

const USUAL: Sight = { water: 'clear', depthM: 1, distanceM: 0.6, sunDeg: 30 };
const DEEPEST_M = 20;
const sights = kept<Sight | null>(
  'jobbet.seen',
  z.object({
    water: z.enum(WATER_COLOURS),
    depthM: z.number().min(0).max(DEEPEST_M),
    distanceM: z.number().min(0.1).max(10),
    sunDeg: z.number().min(SUN.lowest).max(SUN.highest),
  }),
  null,
);

/** Where a fly is looked at first: as it was left, else at the depth it is meant for. */
function firstSight(file: FlyFile): Sight {
  const { depthMm } = meantFor(file);
  const depthM = depthMm === null ? USUAL.depthM : Math.min(DEEPEST_M, depthMm / 1000);
  return sights.read() ?? { ...USUAL, depthM };
}

/** A fly's silhouette as a fish has it: from the side, from below and head-on, in water of a colour, a depth, a distance and a light. */
export function SeenView() {
  const navigate = useNavigate();
  const saver = useSaver();
  const style = useStyle();
  const id = useBench((state) => state.id);
  const own = useBench((state) => state.calm);
  const tables = useBench((state) => state.drawers);
  const others = (useFlies().flies ?? []).filter(isSound).filter((each) => each.id !== id);
  const [sight, setSight] = useState(() => firstSight(own.file));
  const [second, setSecond] = useState('');
  const beside = useFlyOf(others.find((each) => each.id === second));
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame);
  const change = (part: Partial<Sight>): void => {
    const next = { ...sight, ...part };
    setSight(next);
    sights.write(next);
  };
  const laid = useMemo((): readonly LaidFly[] => {
    const read = beside ? layFly(beside.file, tables) : null;
    return read?.ok === true ? [own, read.value] : [own];
  }, [own, beside, tables]);
  useTable('seen', SEEN, {
    back: () => void navigate(`/fly/${id}/balance`),
    water: () => {
      const next = WATER_COLOURS[(WATER_COLOURS.indexOf(sight.water) + 1) % WATER_COLOURS.length];
      if (next) change({ water: next });
    },
  });
  const rowHeight = laid.length > 0 ? height / laid.length : 0;
  const scale = scaleFor(laid, width, rowHeight);
  return (
    <BoardFrame saver={saver}>
      <SightBar sight={sight} onChange={change}>
        <label className="flex items-center gap-2 ml-auto">
          <span className="text-ink2">beside</span>
          <ChoiceField
            label="a second fly"
            value={second}
            empty="no other fly"
            options={others.map((each) => [each.id, each.name] as const)}
            onChange={setSecond}
          />
        </label>
      </SightBar>
      <main ref={frame} className="flex-1 min-h-0 overflow-hidden">
        {width > 0 &&
          laid.map((each, i) => (
            <SeenRow
              key={i === 0 ? id : second}
              laid={each}
              sight={sight}
              width={width}
              height={rowHeight}
              scale={scale}
            />
          ))}
      </main>
      <p className="px-4 py-1.5 border-t border-hair italic text-ink2">
        At {depthWords(sight.distanceM, style)} what is closer together than{' '}
        {Object.values(formatLength(finestMm(sight.distanceM), style)).join(' ')} runs into one. Contrast falls along
        the line of sight by Beer-Lambert, as Duntley (1963) has it; daylight by Kirk (1984); pure water by Pope and Fry
        (1997), humus by Bricaud and others (1981). How strongly each water is coloured, the least contrast seen and the
        fineness of the eye are judgement. Against the light every fly is dark: colours are not shown.
      </p>
    </BoardFrame>
  );
}
