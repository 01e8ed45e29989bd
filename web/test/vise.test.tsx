import { jest } from '@jest/globals';
import { act, fireEvent, render, screen } from '@testing-library/react';
import { settleFly, solveFly } from '@jobbet/core/model';
import { NOMINAL_DRAWERS } from '@jobbet/core/drawers';
import { sheetOf } from '@jobbet/core/tying';
import { MemoryRouter } from 'react-router';
import { BenchProvider, createBench } from '../src/fly/store.ts';
import type { ViseMachine } from '../src/features/vise/machine.ts';
import { AtTheVise } from '../src/features/vise/AtTheVise.tsx';
import { type AtVise, useSeat } from '../src/features/vise/useAtVise.ts';
import type { TyingRecord } from '@jobbet/core/contract';
import { fly } from './build.ts';

const file = fly({
  parts: [
    {
      id: 'tail',
      role: 'tail',
      construction: 'bundle',
      material: 'marabou',
      pinch: '2 mm',
      at: 'bend',
      length: '1 shank',
    },
  ],
});

/** A browser with a voice, a lamp and a clock of its own. */
function standIn() {
  const said: string[] = [];
  let [at, lit] = [1000, 0];
  const machine: ViseMachine = {
    speak: (words) => {
      said.push(words);
    },
    hush: () => undefined,
    keepLit: () => {
      lit++;
      return Promise.resolve(() => {
        lit--;
      });
    },
    now: () => at,
  };
  return {
    machine,
    said,
    lit: () => lit,
    pass: (ms: number) => {
      at += ms;
    },
  };
}

type Keep = AtVise['keep'];

interface SeatedProps {
  readonly machine: ViseMachine;
  readonly before: readonly TyingRecord[];
  readonly keep: Keep;
}

function Seated({ machine, before, keep }: SeatedProps) {
  const atVise = { ...useSeat(machine), all: before, keep };
  const solved = solveFly(file);
  if (!solved.ok) throw new Error('does not solve');
  const { laid } = solved.value;
  return <AtTheVise sheet={sheetOf(settleFly(laid))} laid={laid} fly="a" out="/fly/a/sheet" atVise={atVise} />;
}

function atTheVise(machine: ViseMachine, before: readonly TyingRecord[] = [], keep: Keep = () => undefined) {
  const bench = createBench({ id: 'a', revision: 1, file } as Parameters<typeof createBench>[0], NOMINAL_DRAWERS);
  return render(
    <MemoryRouter>
      <BenchProvider value={bench}>
        <Seated machine={machine} before={before} keep={keep} />
      </BenchProvider>
    </MemoryRouter>,
  );
}
const press = (key: string): void => {
  fireEvent.keyDown(document.body, { key });
};

beforeEach(() => {
  localStorage.clear();
  jest.useFakeTimers();
});
afterEach(() => {
  jest.useRealTimers();
});

test('steps are spoken while that is asked for, the screen stays lit until one leaves', async () => {
  const { machine, said, lit } = standIn();
  const { unmount } = atTheVise(machine);
  expect(lit()).toBe(1);
  press('s');
  expect(said.at(-1)).toContain('Hook');
  press(' ');
  expect(said.at(-1)).toContain('Thread');
  press('s');
  press(' ');
  expect(said.at(-1)).toContain('Thread');
  await act(async () => Promise.resolve());
  unmount();
  expect(lit()).toBe(0);
});

test('what the browser lacks is not offered', () => {
  const { machine } = standIn();
  atTheVise({ ...machine, speak: null, keepLit: null });
  expect(screen.queryByRole('button', { name: /aloud/ })).toBeNull();
  expect(screen.getByRole('button', { name: /done/ })).toBeTruthy();
});

test('time goes to the step it was spent on and is shown', () => {
  const { machine, pass } = standIn();
  atTheVise(machine);
  pass(65_000);
  act(() => {
    jest.advanceTimersByTime(1000);
  });
  expect(screen.getByTestId('vise-clock').textContent).toContain('1:05');
});

test('each step is kept at once and brought to the box, each second only kept here', () => {
  const { machine, pass } = standIn();
  const kept: (readonly [step: string, now: boolean])[] = [];
  atTheVise(machine, [], (tying, now) => kept.push([tying.step, now]));
  pass(1000);
  act(() => {
    jest.advanceTimersByTime(1000);
  });
  press(' ');
  expect(kept).toEqual([
    ['hook', false],
    ['thread', true],
  ]);
});

test('a tying left in the middle is taken up where it was; what was tied before is counted and dries on', () => {
  const { machine } = standIn();
  const done: TyingRecord = {
    fly: 'a',
    sheet: 'other',
    begun: 1,
    changed: 2,
    edits: 1,
    step: 'eye',
    spent: { hook: 61_000 },
    counts: {},
    differs: {},
    drying: { 'coat/1': 121_000 },
    done: 2,
  };
  const { unmount } = atTheVise(machine, [done]);
  expect(screen.getByText('fly 2')).toBeTruthy();
  expect(screen.getByTestId('vise-clock').textContent).toContain('usually 1:01');
  expect(screen.getByTestId('drying').textContent).toContain('coat 1 dry in 2:00');
  unmount();
  const kept: TyingRecord[] = [];
  const first = atTheVise(machine, [done], (tying) => kept.push(tying));
  press(' ');
  press(' ');
  first.unmount();
  const half = kept.at(-1);
  if (!half) throw new Error('nothing was kept');
  atTheVise(machine, [done, half]);
  expect(screen.getByTestId('vise-step').dataset['step']).toBe('tail');
});
