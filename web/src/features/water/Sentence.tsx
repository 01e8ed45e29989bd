import type { Fault } from '@jobbet/core/base';
import { formatDepth, formatTemperature, saying } from '@jobbet/core/units';
import {
  dropOf,
  MANNERS,
  NO_FLOAT,
  USUAL_ABOVE_MM,
  USUAL_CAST_MM,
  USUAL_LINES,
  type WaterTexts,
} from '@jobbet/core/water';
import type { ReactNode, RefObject } from 'react';
import { useBench } from '../../fly/store.ts';
import type { StoredBeat } from '../../shared/api/client.ts';
import { ChoiceField, TextField } from '../../shared/fields/Fields.tsx';
import { useFlies } from '../../shared/api/listed.ts';
import { calendarDay } from '../../shared/ui/dates.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import type { Asking } from './asking.ts';
import type { Shown } from './reckon.ts';
import type { useGauge } from '../../shared/records/useGauge.ts';

interface SentenceProps {
  readonly asking: Asking;
  readonly beats: readonly StoredBeat[];
  readonly asked: Shown['asked'] | null;
  readonly intent: {
    readonly line?: string | undefined;
    readonly manner?: string | undefined;
    readonly depth?: string | undefined;
  };
  readonly field: RefObject<HTMLDivElement | null>;
  readonly onBeat: () => void;
  readonly gauge: ReturnType<typeof useGauge>;
}

/** How a fly is fished, in a word. */
export const MANNER_WORDS: Readonly<Record<string, string>> = {
  swing: 'swung',
  strip: 'stripped',
  'dead-drift': 'drifted under',
  jig: 'jigged',
  hang: 'hung on the dangle',
  'count-down': 'counted down',
};

/** How the fly is fished, as a sentence with blanks. */
export function Sentence({ asking, beats, asked, intent, field, onBeat, gauge }: SentenceProps) {
  const { texts, set } = asking;
  const style = useStyle();
  const { lines, leaders, floats } = useBench((state) => state.drawers);
  const manner = texts.manner ?? intent.manner ?? 'swing';
  const blank = (key: keyof WaterTexts, label: string, empty: string, options?: readonly string[]): ReactNode => (
    <TextField
      label={label}
      value={texts[key] ?? ''}
      empty={empty}
      options={options}
      later
      onChange={(text): readonly Fault[] => set(key, text)}
    />
  );
  const drifts = manner === 'dead-drift';
  return (
    <div
      ref={field}
      className="flex items-baseline gap-3 px-4 py-1.5 border-b border-hair shrink-0"
      data-testid="sentence"
    >
      <p className="flex-1 text-row leading-[1.9]">
        On{' '}
        <ChoiceField
          label="beat"
          value={asking.beat?.id ?? ''}
          options={beats.map(({ id, name }) => [id, name] as const)}
          onChange={asking.setBeat}
        />
        {asking.beat?.record.gauge && <> at {<LevelField {...{ asking, gauge }} />}</>}
        {drifts ? (
          ' '
        ) : (
          <>, {blank('line', 'line', intent.line ?? 'floating', [...lines.map(({ name }) => name), ...USUAL_LINES])} </>
        )}
        with a leader of{' '}
        {blank(
          'leader',
          'leader',
          '2.7 m of 0.25 mm nylon',
          leaders.map(({ name }) => name),
        )}
        , <DropperField asking={asking} />
        {!drifts && (
          <>
            , cast {blank('cast', 'cast', saying(style).depth(asked?.castMm ?? USUAL_CAST_MM))}
            {(manner === 'swing' || manner === 'strip' || manner === 'count-down') && (
              <> at {blank('angle', 'angle of the cast', '45°')} down and across</>
            )}
          </>
        )}
        ,{' '}
        <ChoiceField
          label="manner"
          value={manner}
          options={MANNERS.map((each) => [each, MANNER_WORDS[each] ?? each] as const)}
          onChange={(word) => set('manner', word)}
        />
        <Manner
          {...{ manner, blank }}
          floatText={texts.float ?? ''}
          floats={[...floats.map(({ name }) => name), NO_FLOAT]}
          drop={asked ? saying(style).depth(dropOf(asked)) : '1 m'}
        />
        , wanted at {blank('want', 'wanted depth', intent.depth ?? 'any depth')}, for{' '}
        {blank('seconds', 'time it is fished', '20 s')}.
      </p>
      <span className="plain-key">/</span>
      <button type="button" className="text-ink2 italic hover:text-ink whitespace-nowrap" onClick={onBeat}>
        {asked
          ? `${Object.values(formatDepth(asked.beat.depthMm, style)).join(' ')} deep, ${saying(style).speed(asked.beat.meanMmS)}, ${Object.values(formatTemperature(asked.beat.temperatureC, style)).join(' ')}`
          : 'the beat'}
        {asking.beat?.record.simulated === true && ', made up'} <span className="plain-key not-italic">E</span>
      </button>
    </div>
  );
}

interface MannerProps {
  readonly manner: string;
  readonly blank: (key: keyof WaterTexts, label: string, empty: string, options?: readonly string[]) => ReactNode;
  readonly floats: readonly string[];
  /** What hangs below the float unless it is said. */
  readonly drop: string;
  readonly floatText: string;
}

/** What is said of one manner alone. */
const Manner = ({ manner, blank, floats, drop, floatText }: MannerProps) => (
  <>
    {manner === 'swing' && <> with {blank('mend', 'mends', 'no')} mends</>}
    {manner === 'strip' && <> by pulls of {blank('strip', 'pulls', '0.3 m at 0.6 m/s, pause 1 s')}</>}
    {manner === 'dead-drift' && (
      <>
        {' '}
        {blank('float', 'float', 'a float of 5 g', floats)}, {blank('float-to-fly', 'from float to fly', drop)} below{' '}
        {floatText === NO_FLOAT ? 'the line’s end' : 'it'}
      </>
    )}
    {manner === 'jig' && <> by lifts of {blank('lift', 'lifts', '0.5 m every 2 s')}</>}
    {(manner === 'swing' || manner === 'strip') && <>, count {blank('count', 'count', '0 s')}</>}
  </>
);

/** A second fly on the leader. */
function DropperField({ asking: { dropper, setDropper, setAbove } }: { readonly asking: Asking }) {
  const { flies = [] } = useFlies();
  const { depth } = saying(useStyle());
  return (
    <>
      <ChoiceField
        label="dropper"
        value={dropper?.fly ?? ''}
        options={[
          ['', 'no dropper'] as const,
          ...flies.filter(({ summary }) => summary !== null).map(({ id, name }) => [id, name] as const),
        ]}
        onChange={(id) => setDropper(id === '' ? null : id)}
      />
      {dropper && (
        <>
          {' '}
          on the dropper{' '}
          <TextField
            label="dropper above the fly"
            value={dropper.above}
            empty={depth(USUAL_ABOVE_MM)}
            later
            onChange={setAbove}
          />{' '}
          above
        </>
      )}
    </>
  );
}

/** The gauge's level, which moves depth and speed; as it is now by its station, or as one writes it. */
function LevelField({ asking, gauge }: { readonly asking: Asking; readonly gauge: ReturnType<typeof useGauge> }) {
  const { now, simulated, last } = gauge;
  const { depth } = saying(useStyle());
  const level = now && depth(now.row.levelM * 1000);
  const shown = asking.level || (asking.beat?.record.gauge?.referenceLevel ?? '');
  return (
    <>
      <TextField
        label="level of the gauge"
        value={asking.level}
        empty={asking.beat?.record.gauge?.referenceLevel ?? ''}
        later
        onChange={(text): readonly Fault[] => asking.setLevel(text.trim())}
      />{' '}
      {now && level !== null && level !== asking.level && (
        <button
          type="button"
          className="text-label italic text-ink2 underline decoration-dotted hover:text-ink"
          onClick={() => asking.setLevel(level)}
        >
          now {level}, {now.trend}
          {simulated && ', simulated'}
        </button>
      )}{' '}
      {last && last.level !== shown && (
        <button
          type="button"
          className="ml-2 text-label italic text-ink2 underline decoration-dotted hover:text-ink"
          onClick={() => asking.setLevel(last.level)}
        >
          last outing {last.level}, {calendarDay(last.date)}
        </button>
      )}
    </>
  );
}
