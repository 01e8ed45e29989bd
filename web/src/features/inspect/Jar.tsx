import type { JarReport } from '@jobbet/core/inspect';
import type { SpecimenFile } from '@jobbet/core/records';
import { formatMass, formatNumber, formatSpeed, type Style } from '@jobbet/core/units';
import { useEffect, useEffectEvent, useState } from 'react';
import { TextField } from '../../shared/fields/Fields.tsx';
import { useStyle } from '../../shared/settings/settings.ts';
import { rideWords } from '../../shared/ui/RideGlyph.tsx';
import type { ChangeFly } from './Entry.tsx';
import { readReadings } from './readings.ts';

type JarFile = NonNullable<SpecimenFile['jar']>;
type Fall = JarFile['falls'][number];

type Measure = 'width' | 'depth' | 'startAbove' | 'floated' | 'soaked';
const OPTIONAL = ['startAbove', 'floated', 'soaked'] as const;
/** What is told of a jar so far: its width and its marks are needed before anything falls in it. */
type Told = Partial<Pick<JarFile, Measure>>;
const WHEN = { fell: 'fell', rest: 'came to rest' } as const;
const RIDES = ['point-down', 'point-up', 'on-its-side'] as const;

const withFalls = (record: SpecimenFile, falls: readonly Fall[]): SpecimenFile =>
  record.jar ? { ...record, jar: { ...record.jar, falls: [...falls] } } : record;

/** A stopwatch: started and stopped by the same key. */
export interface Watch {
  readonly running: boolean;
  readonly press: () => void;
}

/** Times a fall: the first press at the upper mark, the second at the lower; while it runs, space (or a pedal that is one) stops it. */
export function useWatch(onTime: (seconds: number) => void): Watch {
  const [since, setSince] = useState<number | null>(null);
  const press = (): void => {
    const now = performance.now();
    if (since === null) setSince(now);
    else {
      setSince(null);
      onTime((now - since) / 1000);
    }
  };
  const onSpace = useEffectEvent(press);
  const running = since !== null;
  useEffect(() => {
    if (!running) return undefined;
    const onKey = (event: KeyboardEvent): void => {
      if (event.code === 'Escape') setSince(null);
      if (event.code !== 'Space') return;
      event.preventDefault();
      event.stopPropagation();
      onSpace();
    };
    window.addEventListener('keydown', onKey, { capture: true });
    return () => window.removeEventListener('keydown', onKey, { capture: true });
  }, [running]);
  return { running, press };
}

/** A record with one more timed fall. */
export const withFall = (record: SpecimenFile, seconds: number): SpecimenFile =>
  withFalls(record, [...(record.jar?.falls ?? []), { time: `${seconds.toFixed(2)} s` }]);

interface JarProps {
  readonly record: SpecimenFile;
  readonly report: JarReport | null;
  readonly watch: Watch;
  readonly onChange: ChangeFly;
}

/** Falls of the fly in a jar: timed by a key, against what the model says, and which way up it came to rest. */
export function Jar({ record, report, watch, onChange }: JarProps) {
  const style = useStyle();
  const { jar } = record;
  // One of the two alone is no jar yet: it waits here for the other.
  const [told, setTold] = useState<Told>({});
  const now: Told = jar ?? told;
  const number = String(record.number ?? 1);
  const measure = (key: Measure, label: string, empty: string, kind: 'length' | 'time' = 'length') => (
    <div className="flex justify-between gap-2 items-baseline border-t border-hair py-1">
      <span>{label}</span>
      <span className="w-[110px]">
        <TextField
          label={label}
          value={now[key] ?? ''}
          empty={empty}
          later
          onChange={(text) => {
            const read = readReadings(text, kind, kind === 'time' ? 's' : style.length, undefined);
            if ('faults' in read) return read.faults;
            const [reading] = read.readings;
            const next: Told = { ...now, [key]: typeof reading === 'string' ? reading : undefined };
            setTold(next);
            if (next.width !== undefined && next.depth !== undefined)
              onChange(`The jar of fly ${number}`, (kept) => withJar(kept, next));
            return [];
          }}
        />
      </span>
    </div>
  );
  return (
    <section aria-label="Jar" className="px-4 py-3 border-t border-hair">
      <h2 className="font-bold">Jar</h2>
      <p className="text-label italic text-ink2 mb-1">
        Soaked, let go above the upper mark in still water; press as it passes either mark.
      </p>
      {measure('width', 'Width of the jar', 'not told')}
      {measure('depth', 'From mark to mark', 'not told')}
      {measure('startAbove', 'Let go above it by', 'at the mark')}
      {measure('floated', 'Laid on dry, it floated', 'not tried', 'time')}
      {measure('soaked', 'Soaked before it fell', 'not told', 'time')}
      {jar ? (
        <p className="my-2">
          <button type="button" className={`sheet-button ${watch.running ? 'primary' : ''}`} onClick={watch.press}>
            {watch.running ? 'At the lower mark' : 'At the upper mark'}{' '}
            <span className="plain-key">{watch.running ? 'space' : 'J'}</span>
          </button>
        </p>
      ) : (
        <p className="text-ink2">With its width and the way between its marks told, falls are timed here.</p>
      )}
      {jar && jar.falls.length > 0 && (
        <Falls
          falls={jar.falls}
          onFalls={(falls, words) => onChange(`${words} of fly ${number}`, (kept) => withFalls(kept, falls))}
        />
      )}
      {report && <Against report={report} style={style} />}
    </section>
  );
}

/** A record with its jar as it is told now; without one as long as its width or its marks are not. */
function withJar(record: SpecimenFile, told: Told): SpecimenFile {
  const { jar, ...rest } = record;
  const { width, depth } = told;
  if (width === undefined || depth === undefined) return record;
  const others = Object.fromEntries(
    OPTIONAL.flatMap((key) => (told[key] === undefined ? [] : [[key, told[key]] as const])),
  );
  const { falls = [], water } = jar ?? {};
  return { ...rest, jar: { width, depth, ...others, ...(water ? { water } : {}), falls } };
}

const Falls = ({
  falls,
  onFalls,
}: {
  readonly falls: readonly Fall[];
  readonly onFalls: (falls: readonly Fall[], words: string) => void;
}) => (
  <ol>
    {falls.map((fall, i) => (
      // Falls have nothing but their place to be told apart by.
      // oxlint-disable-next-line react/no-array-index-key
      <li key={i} className="flex justify-between gap-2 items-baseline border-t border-hair py-0.5">
        <span className="figure">{fall.time}</span>
        {(['fell', 'rest'] as const).map((when) => (
          <select
            key={when}
            aria-label={`fall ${String(i + 1)} ${WHEN[when]}`}
            className="bg-transparent text-label text-ink2 w-[94px]"
            value={fall[when] ?? ''}
            onChange={(event) => {
              const to = RIDES.find((each) => each === event.target.value);
              onFalls(
                falls.map((each, k): Fall => {
                  if (k !== i) return each;
                  const { [when]: _was, ...others } = each;
                  return to ? { ...others, [when]: to } : others;
                }),
                `Which way up a fall ${when === 'fell' ? 'went' : 'ended'}`,
              );
            }}
          >
            <option value="">{WHEN[when]}</option>
            {RIDES.map((ride) => (
              <option key={ride} value={ride}>
                {rideWords(ride)}
              </option>
            ))}
          </select>
        ))}
        <button
          type="button"
          aria-label={`leave fall ${String(i + 1)} out`}
          className="text-ink2 hover:text-ink px-1"
          onClick={() =>
            onFalls(
              falls.filter((_, k) => k !== i),
              'One fall fewer',
            )
          }
        >
          ×
        </button>
      </li>
    ))}
  </ol>
);

const Against = ({ report, style }: { readonly report: JarReport; readonly style: Style }) => {
  const speed = (mmS: number | null): string => {
    if (mmS === null) return 'floats';
    const { figure, unit } = formatSpeed(mmS, style);
    return `${figure} ${unit}`;
  };
  const { found_mm_s: found, predicted_mm_s: predicted, dragFactor, interval, rests, eyes } = report;
  const mass = (mg: number): string => {
    const { figure, unit } = formatMass(mg, style);
    return `${figure} ${unit}`;
  };
  return (
    <div className="mt-2">
      {found !== null && (
        <p>
          found <b>{speed(found)}</b>, <span className="text-measure">predicted {speed(predicted)}</span>
        </p>
      )}
      {dragFactor !== null && interval && (
        <p className="text-label italic text-ink2">
          {formatNumber(dragFactor, 2, style)} times the drag reckoned, {formatNumber(interval[0], 2, style)} to{' '}
          {formatNumber(interval[1], 2, style)}
        </p>
      )}
      {rests && (
        <p className={rests.most === rests.model ? 'text-ink2' : 'text-warn'}>
          fell {rideWords(rests.most)} {rests.of} of {rests.said} times; reckoned {rideWords(rests.model)}
        </p>
      )}
      {eyes && (
        <p>
          Eyes of <b>{mass(eyes.mass_mg)}</b> would have it so, {mass(eyes.interval[0])} to {mass(eyes.interval[1])};{' '}
          <span className="text-measure">{mass(eyes.was_mg)} reckoned</span>
          {eyes.fights && <span className="text-warn">; that is far from what is known of them: weigh a pair</span>}
        </p>
      )}
      {report.words.map((words) => (
        <p key={words} className="text-ink2 first-letter:uppercase">
          {words}
        </p>
      ))}
    </div>
  );
};
