import { DOSES } from '@jobbet/core/data';
import { newFly } from '@jobbet/core/edit';
import { type LaidFly, layFly } from '@jobbet/core/model';
import { noise } from '@jobbet/core/numeric';
import { readFlyValue } from '@jobbet/core/pattern';
import { useState } from 'react';
import { FlyThumb } from '../../shared/drawing/FlyThumb.tsx';
import { Choice } from './Choice.tsx';
import { Frame } from './Frame.tsx';
import type { TaskProps } from './task.ts';
import { measured } from './words.ts';

const [WIDE, HIGH] = [560, 240] as const;
/** Amounts no two of which are alike to the eye. */
const AMOUNTS = ['sparse', 'matchstick', 'half a pencil', 'a pencil'] as const;
/** So many amounts stand for choice. */
const OFFERED = 3;

/** A wing of some amount on a hook, as it is weighed and drawn. */
function clumpOf(
  of: { readonly dose: string } | { readonly material: string; readonly colour: string; readonly strands: number },
): LaidFly | null {
  const wing = {
    id: 'wing',
    role: 'wing',
    construction: 'bundle',
    material: 'bucktail',
    colour: 'brown',
    at: 'station 1.5',
    length: '1.5 shank',
    ...of,
  };
  const read = readFlyValue({ ...newFly('clump'), parts: [wing] });
  const laid = read.ok ? layFly(read.value) : null;
  return laid?.ok === true ? laid.value : null;
}

/** What is asked of amounts: what stands for choice, which of it is so, and how much each is against that. */
interface AmountAsk {
  readonly asks: string;
  readonly asked: string;
  readonly shown: LaidFly | null;
  readonly choices: readonly { readonly key: string; readonly words: string; readonly laid: LaidFly | null }[];
  readonly truth: string;
  readonly shareOf: (key: string) => number;
  readonly said: string;
}

const squeezed = (dose: string): number => DOSES[dose]?.pinchMm ?? 1;

/** One clump, and which amount it is. */
function oneClump(seed: number): AmountAsk {
  const at = Math.floor(noise(seed, 0, 6) * AMOUNTS.length);
  const first = Math.max(0, Math.min(AMOUNTS.length - OFFERED, at - Math.floor(noise(seed, 1, 6) * OFFERED)));
  const truth = AMOUNTS[at] ?? 'matchstick';
  return {
    asks: 'A wing of bucktail on a 6: how much of it?',
    asked: truth,
    shown: clumpOf({ dose: truth }),
    choices: AMOUNTS.slice(first, first + OFFERED).map((dose) => ({ key: dose, words: dose, laid: null })),
    truth,
    shareOf: (dose) => measured((squeezed(dose) / squeezed(truth)) ** 2),
    said: `squeezed, it is ${String(squeezed(truth))} mm across`,
  };
}

/** Two clumps, and which of them is an amount. */
function twoClumps(seed: number): AmountAsk {
  const at = Math.floor(noise(seed, 0, 6) * (AMOUNTS.length - 1));
  const pair = noise(seed, 1, 6) < 0.5 ? [AMOUNTS[at], AMOUNTS[at + 1]] : [AMOUNTS[at + 1], AMOUNTS[at]];
  const [one = 'sparse', other = 'matchstick'] = pair;
  const truth = noise(seed, 2, 6) < 0.5 ? one : other;
  return {
    asks: `Which of the two is ${truth === 'matchstick' ? 'a matchstick' : truth}?`,
    asked: truth,
    shown: null,
    choices: [one, other].map((dose, i) => ({
      key: dose,
      words: i === 0 ? 'the first' : 'the second',
      laid: clumpOf({ dose }),
    })),
    truth,
    shareOf: (dose) => measured((squeezed(dose) / squeezed(truth)) ** 2),
    said: `squeezed, it is ${String(squeezed(truth))} mm across`,
  };
}

const STRANDS = ['2', '4', '6', '10'] as const;
/** Strands of flash, told at a glance. */
function strandsOf(seed: number): AmountAsk {
  const truth = STRANDS[Math.floor(noise(seed, 0, 6) * STRANDS.length)] ?? '4';
  return {
    asks: 'How many strands of flash, at a glance?',
    asked: `${truth} strands`,
    shown: clumpOf({ material: 'flash', colour: 'copper', strands: Number(truth) }),
    choices: STRANDS.map((key) => ({ key, words: key, laid: null })),
    truth,
    shareOf: (key) => measured(Number(key) / Number(truth)),
    said: `there are ${truth}`,
  };
}

/** How much is on: clumps and strands as they are weighed and drawn, in a tier's words. */
export function Amount({ seed, told, onAnswer, onNext }: TaskProps) {
  const [ask] = useState(() => {
    const kind = Math.floor(noise(seed, 9, 6) * 3);
    return kind === 0 ? oneClump(seed) : kind === 1 ? twoClumps(seed) : strandsOf(seed);
  });
  const { asks, asked, shown, choices, truth, shareOf, said } = ask;
  const given = told === null ? null : (choices.find(({ key }) => shareOf(key) === told.given)?.key ?? null);
  return (
    <Frame testid="density" question={asks}>
      {shown && <FlyThumb laid={shown} width={WIDE} height={HIGH} />}
      <Choice
        label={asks}
        choices={choices.map(({ key, words, laid }) => ({
          key,
          words,
          ...(laid ? { drawn: <FlyThumb laid={laid} width={320} height={170} /> } : {}),
        }))}
        given={given}
        truth={truth}
        onChoose={(key) => onAnswer({ on: '6', platform: 'single', asked, truth: 1, given: shareOf(key) })}
        onNext={onNext}
      />
      <div role="status" className="min-h-[3.2em]" data-testid="said">
        {given !== null && (
          <p>
            <b className="text-sentence">
              {given === truth ? 'So it is' : `It is ${choices.find(({ key }) => key === truth)?.words ?? truth}`}
            </b>
            <span className="block text-label italic text-ink2">{said}</span>
          </p>
        )}
      </div>
    </Frame>
  );
}
