import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import type { FlyFile } from '@jobbet/core/pattern';
import { contributionsOf, fallOf, SOAKED_ALONE, timeTo, tippingsOf, type LaidFly } from '@jobbet/core/model';
import { NOMINAL_DRAWERS } from '@jobbet/core/drawers';
import { spreadsOf } from '@jobbet/core/study';
import { useState } from 'react';
import { Contributions } from '../src/features/balance/Contributions.tsx';
import {
  careWords,
  offWords,
  spreadScale,
  spreadUnit,
  spreadWords,
  type Off,
} from '../src/features/balance/handWords.ts';
import { SinkTest } from '../src/features/balance/SinkTest.tsx';
import { SpreadTable } from '../src/features/balance/SpreadTable.tsx';
import { TippingBar } from '../src/features/balance/TippingBar.tsx';
import { WhyButton } from '../src/fly/verdict/WhyButton.tsx';
import { laidOf, TAIL } from './build.ts';
import { inThisThread } from './reckoning.ts';

beforeAll(inThisThread);

const eyes = {
  id: 'eyes',
  role: 'eyes',
  construction: 'ball',
  shape: 'dumbbell',
  material: 'brass',
  diameter: '4 mm',
  at: 'station 2',
  side: 'top',
};
const laid = laidOf([eyes, TAIL]);

describe('how far off things come out', () => {
  const spreads = spreadsOf(laid);
  const roll = spreads.find((each) => each.kind === 'roll');
  if (!roll) throw new Error('eyes turn');
  interface Told {
    readonly sigmas: (readonly [string, number])[];
    usual: number;
    off: Off;
  }
  function table(own: Readonly<Record<string, number>> = {}): Told {
    const told: Told = { sigmas: [], usual: 0, off: {} };
    function Held() {
      const [off, setOff] = useState<Off>({});
      told.off = off;
      return (
        <SpreadTable
          spreads={spreadsOf(laid, own)}
          off={off}
          onOff={setOff}
          onSigma={(key, sigma) => told.sigmas.push([key, sigma])}
          onUsual={() => {
            told.usual++;
          }}
        />
      );
    }
    render(<Held />);
    return told;
  }
  const sigma = (): HTMLInputElement => screen.getByLabelText(`standard deviation of ${spreadWords(roll)}`);
  const slider = (): HTMLInputElement => screen.getByLabelText(`${spreadWords(roll)}, off by`);

  test('a figure is written in its own unit and taken when the field is left', () => {
    const told = table();
    expect(sigma().value).toBe(String(Number((roll.sigma * spreadScale('roll')).toFixed(2))));
    fireEvent.change(sigma(), { target: { value: '4,5' } });
    fireEvent.blur(sigma());
    expect(told.sigmas).toEqual([[roll.key, 4.5]]);
  });
  test('what does not read, or is beyond what may be, is marked and not taken; Escape gives the old one back', () => {
    const told = table();
    for (const bad of ['-1', 'much', '9999', '']) {
      fireEvent.change(sigma(), { target: { value: bad } });
      expect([bad, sigma().getAttribute('aria-invalid')]).toEqual([bad, 'true']);
      fireEvent.blur(sigma());
    }
    expect(told.sigmas).toEqual([]);
    fireEvent.change(sigma(), { target: { value: '7' } });
    fireEvent.keyDown(sigma(), { key: 'Escape' });
    fireEvent.blur(sigma());
    expect(told.sigmas).toEqual([]);
  });
  test('a slider has one thing off, says how, and lets it go at its middle', () => {
    const told = table();
    expect(slider().getAttribute('aria-valuetext')).toBe('as meant');
    fireEvent.change(slider(), { target: { value: '15' } });
    expect(told.off[roll.key]).toBeCloseTo(1.5 * roll.sigma, 9);
    expect(slider().getAttribute('aria-valuetext')).toContain('near side up');
    fireEvent.change(slider(), { target: { value: '0' } });
    expect(told.off).toEqual({});
  });
  test('back to the plan, and to the usual figures, where there is something to go back from', () => {
    const told = table({ [roll.key]: 9 });
    expect(screen.queryByRole('button', { name: /As planned/ })).toBeNull();
    fireEvent.change(slider(), { target: { value: '-30' } });
    fireEvent.click(screen.getByRole('button', { name: /As planned/ }));
    expect(told.off).toEqual({});
    fireEvent.click(screen.getByRole('button', { name: 'The usual figures' }));
    expect(told.usual).toBe(1);
  });
});

describe('in a tier’s words', () => {
  test.each([
    ['along', 0.03, '3 % of the shank aft'],
    ['along', -0.03, '3 % of the shank forward'],
    ['roll', -6, 'turned 6°, near side down'],
    ['length', 0.08, '8 % longer'],
    ['width', -0.1, '10 % narrower'],
    ['amount', 0.2, '20 % thicker'],
    ['wire', -0.02, '2 % thinner'],
    ['split', -0.1, 'near half 10 % lighter'],
    ['turns', 1.5, '1.5 turns more'],
    ['mass', -0.12, '12 % lighter'],
  ] as const)('%s off by %d: %s', (kind, off, words) => {
    expect(offWords(kind, kind === 'roll' ? off / spreadScale('roll') : off)).toBe(words);
  });
  test('what is minded agrees with its noun; a hook has no part', () => {
    expect(careWords({ part: 'eyes', kind: 'place' })).toBe('where the eyes sit');
    expect(careWords({ part: 'tail', kind: 'length' })).toBe('how long the tail is');
    expect(careWords({ part: 'cheeks', kind: 'bought' })).toBe('what the cheeks weigh');
    expect(careWords({ part: null, kind: 'bought' })).toBe("the hook's wire");
    expect(spreadWords({ part: null, kind: 'wire' })).toBe('hook, thickness of the wire');
    expect(spreadUnit('turns')).toBe('turns');
  });
});

describe('what each part brings', () => {
  test('a row a part with its share, the sums of the fly under it; a press picks the part', () => {
    const picked: string[] = [];
    const contributions = contributionsOf(laid);
    render(
      <Contributions laid={laid} contributions={contributions} selected="tail" onPick={(id) => picked.push(id)} />,
    );
    const rows = within(screen.getByRole('table', { name: 'What each part brings' })).getAllByRole('row');
    expect(rows.at(-1)?.textContent).toContain('the fly');
    fireEvent.click(screen.getByRole('button', { name: 'eyes' }));
    expect(picked).toEqual(['eyes']);
    expect(screen.getByRole('button', { name: 'tail' }).getAttribute('aria-pressed')).toBe('true');
  });
  test('the tipping weight stands with how far the eyes are from it, and the sizes to be had are taken by a press', () => {
    const taken: string[] = [];
    const [tipping] = tippingsOf(laid);
    if (!tipping) throw new Error('eyes tip');
    render(
      <TippingBar
        laid={laid}
        drawers={NOMINAL_DRAWERS}
        tipping={tipping}
        first
        onTake={(file, words) => taken.push(`${words}: ${String(file.parts.length)}`)}
      />,
    );
    expect(screen.getByTestId('tipping').textContent).toMatch(/× the tipping weight(: weigh a pair)?\./);
    const sizes = screen.getAllByRole('button').filter((each) => /×/.test(each.textContent));
    expect(sizes.length).toBeGreaterThan(2);
    const ratios = sizes.map((each) => Number(/([\d.]+) ×/.exec(each.textContent)?.[1]));
    expect(ratios).toEqual([...ratios].sort((a, b) => a - b));
    if (sizes[0]) fireEvent.click(sizes[0]);
    expect(taken).toEqual([expect.stringMatching(/^brass.*: 2$/)]);
  });
});

describe('a timed fall', () => {
  const seconds = (): HTMLInputElement => screen.getByLabelText('seconds of the sink test');
  const depth = (): HTMLInputElement => screen.getByLabelText('depth of the sink test');
  const kept: (readonly [FlyFile, string])[] = [];
  const test1 = (plan: LaidFly): void => {
    kept.length = 0;
    const of = { file: plan.file, off: [], drawers: NOMINAL_DRAWERS };
    render(<SinkTest plan={of} onKeep={(file, words) => kept.push([file, words])} />);
  };
  const computed = timeTo(fallOf(laid, SOAKED_ALONE, 1000), 1000) ?? 0;

  test('as long as was computed is a factor of one, twice as long about four; it is kept with the fly', async () => {
    test1(laid);
    fireEvent.change(seconds(), { target: { value: computed.toFixed(2) } });
    await waitFor(() => {
      expect(screen.getByTestId('sink-test').textContent).toContain('1.00 × the computed drag');
    });
    fireEvent.change(seconds(), { target: { value: (1.5 * computed).toFixed(2).replace('.', ',') } });
    await waitFor(() => {
      expect(screen.getByTestId('sink-test').textContent).toContain('2.');
    });
    fireEvent.click(screen.getByRole('button', { name: 'Keep it with the fly' }));
    const factor = kept[0]?.[0].measured?.dragFactor ?? 0;
    expect(factor).toBeGreaterThan(1.8);
    expect(factor).toBeLessThan(2.6);
    expect(seconds().value).toBe('');
  });
  test('what cannot be is said, and offers nothing to keep', async () => {
    test1(laid);
    fireEvent.change(seconds(), { target: { value: String(40 * computed) } });
    expect((await screen.findByRole('alert')).textContent).toContain('time it again');
    fireEvent.change(seconds(), { target: { value: 'long' } });
    expect(screen.getByRole('alert').textContent).toContain('Write a depth');
    fireEvent.change(seconds(), { target: { value: '3' } });
    fireEvent.change(depth(), { target: { value: 'deep' } });
    expect(depth().getAttribute('aria-invalid')).toBe('true');
    expect(screen.queryByRole('button', { name: 'Keep it with the fly' })).toBeNull();
  });
  test('a factor that is kept is told, and let go of without a trace', () => {
    test1(laidOf([eyes, TAIL], { measured: { dragFactor: 1.4 } }));
    expect(screen.getByTestId('sink-test').textContent).toContain('1.40 × the computed one');
    fireEvent.click(screen.getByRole('button', { name: 'Let it go' }));
    expect(kept[0]?.[0].measured).toBeUndefined();
  });
});

test('a figure answers why: its terms, the rule, where it is from, how far to trust it', () => {
  render(
    <WhyButton asked="keel" laid={laid}>
      rides point-up
    </WhyButton>,
  );
  const asks = screen.getByRole('button', { name: /^rides point-up ?, why\?$/ });
  expect(screen.queryByRole('dialog')).toBeNull();
  fireEvent.click(asks);
  const answer = screen.getByRole('dialog');
  expect(within(answer).getAllByRole('row').length).toBeGreaterThan(1);
  expect(answer.textContent).toMatch(/From .+\./);
  fireEvent.keyDown(answer, { key: 'Escape' });
  expect(screen.queryByRole('dialog')).toBeNull();
});
