import { jest } from '@jest/globals';
import { act, fireEvent, render, screen } from '@testing-library/react';
import { settleFly, solveFly } from '@jobbet/core';
import { NOMINAL_DRAWERS } from '@jobbet/core/drawers/tables';
import { sheetOf } from '@jobbet/core/sheet/sheet';
import { MemoryRouter } from 'react-router';
import { BenchProvider, createBench } from '../src/bench/store.ts';
import type { ViseMachine } from '../src/tying/machine.ts';
import { AtTheVise } from '../src/tying/AtTheVise.tsx';
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

function atTheVise(machine: ViseMachine) {
  const solved = solveFly(file);
  if (!solved.ok) throw new Error('does not solve');
  const bench = createBench({ id: 'a', revision: 1, file } as Parameters<typeof createBench>[0], NOMINAL_DRAWERS);
  return render(
    <MemoryRouter>
      <BenchProvider value={bench}>
        <AtTheVise sheet={sheetOf(settleFly(solved.value.laid))} machine={machine} />
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
