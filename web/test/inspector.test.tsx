import { act, fireEvent, render, screen } from '@testing-library/react';
import { Inspector } from '../src/features/bench/Inspector.tsx';
import { BenchProvider, createBench, type Bench } from '../src/fly/store.ts';
import { HOOK, partCalled } from '../src/fly/selection.ts';
import { setSettings } from '../src/shared/settings/settings.ts';
import { METRIC } from '@jobbet/core/units';
import { fly, stored } from './build.ts';

const eyes = {
  id: 'eyes',
  role: 'eyes',
  construction: 'ball',
  shape: 'dumbbell',
  material: 'lead',
  diameter: '4 mm',
  at: 'station 2',
  side: 'top',
};
const tail = {
  id: 'tail',
  role: 'tail',
  construction: 'bundle',
  material: 'marabou',
  dose: 'matchstick',
  at: 'bend',
  length: '1..1.5 shank',
};
const rib = {
  id: 'rib',
  role: 'rib',
  construction: 'wrap',
  material: 'copper',
  strand: '0.2 mm',
  turns: 5,
  from: 'bend',
  to: 'eyes.rear',
};

const hair = {
  id: 'hair',
  role: 'head',
  construction: 'spun',
  material: 'deer hair',
  diameter: '9 mm',
  from: 'eye + 1 mm',
  to: 'station 1.5',
};

function open(chosen: string | null): Bench {
  const bench = createBench(stored(fly({ parts: [eyes, tail, rib, hair], intent: { ride: 'point-down' } })));
  bench.setState({ selected: chosen === null ? HOOK : partCalled(chosen) });
  render(
    <BenchProvider value={bench}>
      <Inspector checked={null} onRemove={() => undefined} onCopyTo={() => undefined} />
    </BenchProvider>,
  );
  return bench;
}
const part = (bench: Bench, id: string): Record<string, unknown> =>
  bench.getState().file.parts.find((each) => each.id === id) as unknown as Record<string, unknown>;
const set = (label: string, value: string): void => {
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
};

beforeEach(() => {
  setSettings({ more: true });
});

afterEach(() => {
  act(() => {
    setSettings({ ...METRIC });
  });
});

describe('the sentence of a part', () => {
  test('its relation stands first, the rest behind a word that is remembered', () => {
    setSettings({ more: false });
    const bench = createBench(stored(fly({ parts: [tail] })));
    act(() => {
      bench.setState({ selected: partCalled('tail') });
    });
    render(
      <BenchProvider value={bench}>
        <Inspector checked={null} onRemove={() => undefined} onCopyTo={() => undefined} />
      </BenchProvider>,
    );
    expect(screen.getByLabelText('length')).toBeTruthy();
    expect(screen.queryByLabelText('role')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: /^more/ }));
    expect(screen.getByLabelText('role')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'less' })).toBeTruthy();
  });
  test('a blank is taken as it is typed, and what it comes to stands beneath', () => {
    const bench = open('tail');
    set('length', '20 mm');
    expect(part(bench, 'tail')['length']).toBe('20 mm');
    expect(screen.getByTestId('results').textContent).toContain('free length20.0 mm');
  });
  test('a band is told with its ends', () => {
    open('tail');
    expect(screen.getByTestId('results').textContent).toMatch(/band 16\.3 mm to 24\.4 mm/);
  });
  test('another way to say a length keeps where the tip is', () => {
    const bench = open('tail');
    const before = bench.getState().laid.parts[1]?.extent.tipMm ?? 0;
    set('how its length is said', 'tip');
    expect(part(bench, 'tail')['length']).toBeUndefined();
    expect(part(bench, 'tail')['tip']).toMatch(/^bend \+ [\d.]+ mm$/);
    expect(bench.getState().laid.parts[1]?.extent.tipMm).toBeCloseTo(before, 1);
  });
  test('colours in a row are written with commas; one alone is asked back, none takes them away', () => {
    const bench = open('hair');
    set('bands of colour', 'olive, white');
    expect(part(bench, 'hair')['bands']).toEqual(['olive', 'white']);
    set('bands of colour', 'olive');
    expect(part(bench, 'hair')['bands']).toEqual(['olive', 'white']);
    expect(document.body.textContent).toContain('two colours or more');
    set('bands of colour', '');
    expect(part(bench, 'hair')).not.toHaveProperty('bands');
  });
  test('another way to say an amount takes the others away', () => {
    const bench = open('tail');
    set('how the amount is said', 'pinch');
    expect(part(bench, 'tail')).toMatchObject({ pinch: '2 mm' });
    expect(part(bench, 'tail')).not.toHaveProperty('dose');
  });
  test('a count takes numbers, with a comma too, and an empty one goes', () => {
    const bench = open('rib');
    set('turns', '6,5');
    expect(part(bench, 'rib')['turns']).toBe(6.5);
    set('turns', 'six');
    expect(screen.getByRole('alert').textContent).toContain('"six" is not a number');
    set('turns', '');
    expect(part(bench, 'rib')).not.toHaveProperty('turns');
  });
  test('the arrows step the number in the relation', () => {
    const bench = open('eyes');
    fireEvent.keyDown(screen.getByLabelText('diameter'), { key: 'ArrowUp' });
    expect(part(bench, 'eyes')['diameter']).toBe('4.5 mm');
  });
  test('lead brings its caution', () => {
    open('eyes');
    expect(screen.getByText(/wash your hands/)).toBeTruthy();
  });
});

describe('the name of a part', () => {
  test('goes through every relation, and stays the chosen one', () => {
    const bench = open('eyes');
    set('name of the part', 'balls');
    expect(part(bench, 'rib')['to']).toBe('balls.rear');
    expect(bench.getState().selected).toEqual(partCalled('balls'));
  });
  test.each([
    ['tail', 'already tied'],
    ['bend', 'word of the relations'],
    ['2eyes', 'begin with a letter'],
    ['body', 'only a part whose role is body'],
  ])('"%s" is refused', (name, words) => {
    const bench = open('eyes');
    set('name of the part', name);
    expect(screen.getByRole('alert').textContent).toContain(words);
    expect(part(bench, 'eyes')).toBeTruthy();
  });
});

describe('figures in the units of the person', () => {
  test('inches and grains, with a decimal comma', () => {
    act(() => {
      setSettings({ length: 'in', mass: 'gr', decimal: ',' });
    });
    open('eyes');
    expect(screen.getByTestId('results').textContent).toMatch(/\d+,\d grains dry/);
    expect(screen.getByText('5/32 in', { exact: false })).toBeTruthy();
  });
});

describe('the hook', () => {
  test('every measure of it may be written, and goes again', () => {
    const bench = open(null);
    const platform = (): Record<string, unknown> => bench.getState().file.platform;
    set('measured shank', '25 mm');
    expect([platform()['shank'], bench.getState().laid.platform.shankMm]).toEqual(['25 mm', 25]);
    set('measured shank', '');
    expect(platform()).not.toHaveProperty('shank');
    set('kind of hook', 'double');
    set('splay', '90 deg');
    expect(platform()).toMatchObject({ kind: 'double', splay: '90 deg' });
    set('kind of hook', 'single');
    expect(platform()).not.toHaveProperty('splay');
  });
  test('a wish that is not met is flagged; thread and head come and go', () => {
    const bench = open(null);
    expect(screen.getByText(/It rides point up instead/)).toBeTruthy();
    set('thread denier', '140');
    set('head', 'bold');
    expect(bench.getState().file).toMatchObject({ thread: { denier: 140 }, head: 'bold' });
    set('thread denier', '5');
    expect(screen.getByRole('alert').textContent).toContain('between 10 and 1000');
    set('meant ride', '');
    expect(bench.getState().file).not.toHaveProperty('intent');
  });
  test('the water it is meant for', () => {
    const bench = open(null);
    const before = bench.getState().laid.submergedMg;
    set('water', 'salt');
    expect(bench.getState().laid.submergedMg).toBeLessThan(before);
    set('water temperature', 'warm');
    expect(screen.getByRole('alert')).toBeTruthy();
  });
});
