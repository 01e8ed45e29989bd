import { type LaidFly, layFly, solveLaid } from '@jobbet/core/model';
import { noise } from '@jobbet/core/numeric';
import { readFlyValue } from '@jobbet/core/pattern';
import { formatLength, formatNumber, formatSpeed } from '@jobbet/core/units';
import { useState } from 'react';
import { FlyThumb } from '../../shared/drawing/FlyThumb.tsx';
import { useStyle } from '../../shared/settings/settings.ts';
import { RideGlyph, rideWords } from '../../shared/ui/RideGlyph.tsx';
import { Choice } from './Choice.tsx';
import { fliesNext } from './flyNext.ts';
import { Frame } from './Frame.tsx';
import type { BoxFly, TaskProps } from './task.ts';

const among = <T,>(all: readonly T[], seed: number, k: number): T | undefined =>
  all[Math.floor(noise(seed, k, 5) * all.length)];
const solvedOf = (laid: LaidFly) => {
  const solved = solveLaid(laid);
  return solved.ok ? solved.value.balance : null;
};

const RIDES = ['point-up', 'point-down', 'on-its-side', 'undecided'] as const;
const [WIDE, HIGH] = [560, 240] as const;

/** Which way up a fly swims, or which eyes turn it over: where a fly of the box has eyes that can. */
export function Ride(props: TaskProps) {
  const [tip] = useState(() => (noise(props.seed, 8, 5) < 0.35 ? tipAsk(props.box, props.seed) : null));
  return tip ? <Tips {...props} ask={tip} /> : <Swims {...props} />;
}

/** Which way up a fly of the box swims on a tight line; then shown as it lies, with how firmly. */
function Swims({ seed, rounds, box, told, onAnswer, onNext }: TaskProps) {
  const style = useStyle();
  const [fly] = useState(() => fliesNext(rounds, 'ride', box, seed)[0] ?? null);
  if (!fly) return <Empty />;
  const { tight, tipping } = fly.laid;
  const given = told === null ? null : String(told.given);
  return (
    <Frame testid="ride" question={`Which way up does ${fly.name} swim on a tight line?`}>
      <FlyThumb laid={fly.laid} width={WIDE} height={HIGH} />
      <Choice
        label="Which way up it swims"
        choices={RIDES.map((key) => ({ key, words: key === 'undecided' ? 'either way up' : rideWords(key) }))}
        given={given}
        truth={tight.ride}
        onChoose={(key) =>
          onAnswer({
            fly: fly.name,
            on: fly.name,
            platform: fly.file.platform.kind,
            asked: 'which way up',
            truth: tight.ride,
            given: key,
          })
        }
        onNext={onNext}
      />
      <div role="status" className="min-h-[3.2em] flex gap-3 items-center" data-testid="said">
        {given !== null && (
          <>
            <RideGlyph ride={tight.ride} heelDeg={tight.heelDeg} balls={tipping !== null} size={56} />
            <p>
              <b className="text-sentence">{given === tight.ride ? 'So it is' : `It swims ${rideWords(tight.ride)}`}</b>
              {tipping && Number.isFinite(tipping.ratio) && (
                <span className="block text-label italic text-ink2">
                  its eyes weigh {formatNumber(tipping.ratio, 1, style)} × what turns it over
                </span>
              )}
            </p>
          </>
        )}
      </div>
    </Frame>
  );
}

/** A fly with eyes of some sizes, and the smallest of those that tip it. */
interface TipAsk {
  readonly fly: BoxFly;
  readonly sizes: readonly { readonly mm: number; readonly ride: string; readonly heelDeg: number | null }[];
  readonly truth: number;
}

const TIMES = [0.6, 0.8, 1, 1.3] as const;

/** The fly with its eyes of another diameter; null where it does not lay out so. */
function withEyes({ file }: BoxFly, id: string, mm: number): LaidFly | null {
  const parts = file.parts.map((part) => (part.id === id ? { ...part, diameter: `${String(mm)} mm` } : part));
  const read = readFlyValue({ ...file, parts });
  const laid = read.ok ? layFly(read.value) : null;
  return laid?.ok === true ? laid.value : null;
}

function tipAsk(box: readonly BoxFly[], seed: number): TipAsk | null {
  const flies = box.filter(({ laid }) => laid.tipping !== null);
  const fly = among(flies, seed, 20);
  const eyes = fly?.laid.parts.find(({ file }) => file.id === fly.laid.tipping?.part);
  const now = eyes?.built.ball ? eyes.extent.readings['diameter']?.mm : undefined;
  if (!fly || !eyes || now === undefined) return null;
  const sizes = TIMES.flatMap((times) => {
    const mm = Math.round(2 * times * now) / 2;
    const laid = withEyes(fly, eyes.file.id, mm);
    return laid ? [{ mm, ride: laid.tight.ride, heelDeg: laid.tight.heelDeg }] : [];
  });
  const truth = sizes.find(({ ride }) => ride === 'point-up')?.mm;
  // All of them or none: nothing to ask.
  return truth === undefined || sizes[0]?.ride === 'point-up' ? null : { fly, sizes, truth };
}

/** The smallest eyes that turn a fly over. */
function Tips({ told, onAnswer, onNext, ask: { fly, sizes, truth } }: TaskProps & { readonly ask: TipAsk }) {
  const style = useStyle();
  const mmWords = (mm: number): string => `${formatLength(mm, style).figure} ${formatLength(mm, style).unit}`;
  const given = told === null ? null : String(told.given);
  const chosen = sizes.find(({ mm }) => String(mm) === given);
  return (
    <Frame testid="ride" question={`Which are the smallest eyes that turn ${fly.name} over?`}>
      <FlyThumb laid={fly.laid} width={WIDE} height={HIGH} />
      <Choice
        label="The smallest eyes that turn it over"
        choices={sizes.map(({ mm }) => ({ key: String(mm), words: mmWords(mm) }))}
        given={given}
        truth={String(truth)}
        onChoose={(key) =>
          onAnswer({
            fly: fly.name,
            on: fly.name,
            platform: fly.file.platform.kind,
            asked: 'which eyes tip it',
            truth: String(truth),
            given: key,
          })
        }
        onNext={onNext}
      />
      <div role="status" className="min-h-[3.2em] flex gap-3 items-center" data-testid="said">
        {chosen && (
          <>
            <RideGlyph ride={chosen.ride} heelDeg={chosen.heelDeg} balls size={56} />
            <p>
              <b className="text-sentence">
                {given === String(truth) ? 'So it is' : `It swims point-up from ${mmWords(truth)} on`}
              </b>
              <span className="block text-label italic text-ink2">
                with {mmWords(chosen.mm)} it swims {rideWords(chosen.ride)}
              </span>
            </p>
          </>
        )}
      </div>
    </Frame>
  );
}

/** Two flies of the box that fall by so much unlike each other at least. */
const APART = 1.08;

/** Which of two flies of the box falls faster, free and soaked. */
export function Sink({ seed, box, told, onAnswer, onNext }: TaskProps) {
  const style = useStyle();
  const [pair] = useState(() => {
    for (let k = 0; k < 40; k++) {
      const [one, other] = [among(box, seed, 2 * k), among(box, seed, 2 * k + 1)];
      const [a, b] = [one, other].map((fly) => (fly ? (solvedOf(fly.laid)?.sink?.terminal ?? 0) : 0)) as [
        number,
        number,
      ];
      if (one && other && one !== other && a > 0 && b > 0 && Math.max(a, b) / Math.min(a, b) > APART)
        return [
          { fly: one, mmS: a },
          { fly: other, mmS: b },
        ] as const;
    }
    return null;
  });
  if (!pair) return <Empty />;
  const [faster, slower] = pair[0].mmS > pair[1].mmS ? pair : ([pair[1], pair[0]] as const);
  const speed = (mmS: number): string => `${formatSpeed(mmS, style).figure} ${formatSpeed(mmS, style).unit}`;
  const given = told === null ? null : String(told.given);
  return (
    <Frame testid="sink" question="Which of the two falls faster, free and soaked?">
      <p className="text-label italic text-ink2">each drawn as large as it fits</p>
      <Choice
        label="Which falls faster"
        choices={pair.map(({ fly }) => ({
          key: fly.name,
          words: fly.name,
          drawn: <FlyThumb laid={fly.laid} width={320} height={170} />,
        }))}
        given={given}
        truth={faster.fly.name}
        onChoose={(key) =>
          onAnswer({
            on: [pair[0].fly.name, pair[1].fly.name].join(', ').slice(0, 80),
            asked: 'which falls faster',
            truth: faster.fly.name,
            given: key,
          })
        }
        onNext={onNext}
      />
      <div role="status" className="min-h-[3.2em]" data-testid="said">
        {given !== null && (
          <p>
            <b className="text-sentence">{given === faster.fly.name ? 'So it is' : `It is ${faster.fly.name}`}</b>
            <span className="block text-label italic text-ink2">
              {faster.fly.name} falls {speed(faster.mmS)}, {slower.fly.name} {speed(slower.mmS)}
            </span>
          </p>
        )}
      </div>
    </Frame>
  );
}

const Empty = () => <p className="p-6">There are not enough flies in the box to ask of.</p>;
