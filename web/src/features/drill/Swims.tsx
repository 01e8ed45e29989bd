import { DOSES } from '@jobbet/core/data';
import { newFly } from '@jobbet/core/edit';
import { type LaidFly, layFly, solveLaid } from '@jobbet/core/model';
import { noise } from '@jobbet/core/numeric';
import { readFlyValue } from '@jobbet/core/pattern';
import { formatNumber, formatSpeed } from '@jobbet/core/units';
import { type ReactNode, useState } from 'react';
import { FlyThumb } from '../../shared/drawing/FlyThumb.tsx';
import { useStyle } from '../../shared/settings/settings.ts';
import { RideGlyph, rideWords } from '../../shared/ui/RideGlyph.tsx';
import { Choice } from './Choice.tsx';
import { Question } from './Question.tsx';
import type { TaskProps } from './task.ts';
import { measured } from './words.ts';

const among = <T,>(all: readonly T[], seed: number, k: number): T | undefined =>
  all[Math.floor(noise(seed, k, 5) * all.length)];
const solvedOf = (laid: LaidFly) => {
  const solved = solveLaid(laid);
  return solved.ok ? solved.value.balance : null;
};

const RIDES = ['point-up', 'point-down', 'on-its-side', 'undecided'] as const;
const [WIDE, HIGH] = [560, 240] as const;

/** Which way up a fly of the box swims on a tight line; then shown as it lies, with how firmly. */
export function Ride({ seed, box, told, onAnswer, onNext }: TaskProps) {
  const style = useStyle();
  const [fly] = useState(() => among(box, seed, 0) ?? null);
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

/** Amounts no two of which are alike to the eye. */
const AMOUNTS = ['sparse', 'matchstick', 'half a pencil', 'a pencil'] as const;
/** So many amounts stand for choice. */
const OFFERED = 3;

/** A wing of some amount on a hook, as it is weighed and drawn. */
function clumpOf(dose: string): LaidFly | null {
  const file = {
    ...newFly('clump'),
    parts: [
      {
        id: 'wing',
        role: 'wing',
        construction: 'bundle',
        material: 'bucktail',
        colour: 'brown',
        at: 'station 1.5',
        length: '1.5 shank',
        dose,
      },
    ],
  };
  const read = readFlyValue(file);
  const laid = read.ok ? layFly(read.value) : null;
  return laid?.ok === true ? laid.value : null;
}

/** How much hair is on: a clump as it is weighed and drawn, its amount in a tier's words. */
export function Amount({ seed, told, onAnswer, onNext }: TaskProps) {
  const style = useStyle();
  const [question] = useState(() => {
    const at = Math.floor(noise(seed, 0, 6) * AMOUNTS.length);
    const first = Math.max(0, Math.min(AMOUNTS.length - OFFERED, at - Math.floor(noise(seed, 1, 6) * OFFERED)));
    const truth = AMOUNTS[at] ?? '';
    return { truth, offered: AMOUNTS.slice(first, first + OFFERED), laid: clumpOf(truth) };
  });
  const { truth, offered, laid } = question;
  if (!laid) return <Empty />;
  /** The squeezed clump's cross-section against that which is so. */
  const shareOf = (dose: string): number => measured(((DOSES[dose]?.pinchMm ?? 0) / (DOSES[truth]?.pinchMm ?? 1)) ** 2);
  const given = told === null ? null : (offered.find((dose) => shareOf(dose) === told.given) ?? null);
  return (
    <Frame testid="density" question="A wing of bucktail on a 6: how much of it?">
      <FlyThumb laid={laid} width={WIDE} height={HIGH} />
      <Choice
        label="How much of it"
        choices={offered.map((dose) => ({ key: dose, words: dose }))}
        given={given}
        truth={truth}
        onChoose={(dose) => onAnswer({ on: '6', platform: 'single', asked: truth, truth: 1, given: shareOf(dose) })}
        onNext={onNext}
      />
      <div role="status" className="min-h-[3.2em]" data-testid="said">
        {given !== null && (
          <p>
            <b className="text-sentence">{given === truth ? 'So it is' : `It is ${truth}`}</b>
            <span className="block text-label italic text-ink2">
              squeezed, {formatNumber(DOSES[truth]?.pinchMm ?? 0, 1, style)} mm across
              {given !== truth && `; ${given} has ${formatNumber(shareOf(given), 1, style)} × as much hair`}
            </span>
          </p>
        )}
      </div>
    </Frame>
  );
}

const Frame = ({
  testid,
  question,
  children,
}: {
  readonly testid: string;
  readonly question: string;
  readonly children: ReactNode;
}) => (
  <>
    <Question>{question}</Question>
    <div
      className="flex-1 min-h-0 grid place-content-center justify-items-center gap-3 p-4 overflow-y-auto"
      data-testid={testid}
    >
      {children}
    </div>
  </>
);
const Empty = () => <p className="p-6">There are not enough flies in the box to ask of.</p>;
