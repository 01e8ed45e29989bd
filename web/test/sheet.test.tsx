import { jest } from '@jest/globals';
import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { settleFly, type LaidFly } from '@jobbet/core/model';
import type { FlyFile } from '@jobbet/core/pattern';
import { FigureCache } from '@jobbet/core/drawing';
import type { Finding } from '@jobbet/core/checks';
import { sheetOf, threadOf } from '@jobbet/core/tying';
import { useToast } from '../src/shared/ui/toast.ts';
import { BulkChart } from '../src/features/sheet/BulkChart.tsx';
import { Findings } from '../src/features/sheet/Findings.tsx';
import { OrderLine, useOrder } from '../src/features/sheet/OrderLine.tsx';
import type { TyingRecord } from '@jobbet/core/contract';
import { newTying } from '@jobbet/core/tying';
import { shiftedBy } from '../src/shared/ui/order.ts';
import { OnTheTable, Proportions, WaterAndCare } from '../src/features/sheet/SheetTable.tsx';
import { StepLine } from '../src/features/sheet/StepLine.tsx';
import { TyingsBox } from '../src/features/sheet/TyingsBox.tsx';
import { WaysBox } from '../src/features/sheet/WaysBox.tsx';
import { fly, laidOf, TAIL } from './build.ts';

const body = {
  id: 'body',
  role: 'body',
  construction: 'wrap',
  material: 'floss',
  diameter: '2 mm',
  from: 'bend',
  to: 'station 3',
};
const wing = {
  id: 'wing',
  role: 'wing',
  construction: 'bundle',
  material: 'fox hair',
  pinch: '2 mm',
  at: 'head',
  length: '1.3 shank',
};
const laid = laidOf([TAIL, body, wing]);
const sheet = sheetOf(settleFly(laid));

describe('ways of tying', () => {
  test('each says how it is done now and what that gives; another is taken with its words', () => {
    const taken: (readonly [FlyFile, string])[] = [];
    render(<WaysBox laid={laid} onTake={(file, words) => taken.push([file, words])} />);
    const box = screen.getByRole('region', { name: 'Ways of tying' });
    expect(box.textContent).toContain('One thin coat; it is not weighed.');
    fireEvent.change(within(box).getByLabelText('head, way'), { target: { value: 'varnish' } });
    fireEvent.change(within(box).getByLabelText('body shaped, way'), { target: { value: 'cigar' } });
    expect(taken.map(([, words]) => words)).toEqual(['head varnish, three coats', 'body shaped cigar']);
    expect(taken[0]?.[0].finish?.coats).toEqual(['varnish', 'varnish', 'varnish']);
    expect(taken[1]?.[0].parts[1]).toMatchObject({ profile: ['1.2 mm', '2 mm', '1.2 mm'] });
  });
});

describe('the order', () => {
  const Line = ({ of, onReorder }: { readonly of: LaidFly; readonly onReorder: () => void }) => (
    <OrderLine order={useOrder(of)} onReorder={onReorder} />
  );
  test('one that stands says how far the thread travels, and has nothing to press', () => {
    render(<Line of={laid} onReorder={() => undefined} />);
    expect(screen.getByTestId('order').textContent).toMatch(/^The order breaks nothing; the thread travels \d/);
    expect(screen.queryByRole('button')).toBeNull();
  });
  test('one that does not says how much stands in its way and is put right by a press', () => {
    const reordered = jest.fn();
    render(<Line of={laidOf([body, wing, TAIL])} onReorder={reordered} />);
    expect(screen.getByTestId('order').textContent).toContain('1 thing stands in the way of this order');
    fireEvent.click(screen.getByRole('button', { name: /Put the parts in order/ }));
    expect(reordered).toHaveBeenCalledTimes(1);
  });
  test('findings stand a line each, loud ones flagged, with what mends them', () => {
    const file = fly();
    const finding = (more: Partial<Finding>): Finding => ({
      code: 'order.rear',
      costs: 'strength',
      reason: 'It sits on the body as a bump.',
      severity: 'warn',
      parts: ['tail'],
      message: 'the tail is tied in late',
      figure: null,
      limit: null,
      atMm: null,
      fix: { words: 'tie in tail before body', file },
      ...more,
    });
    const taken: (readonly [FlyFile, string])[] = [];
    const { unmount } = render(
      <Findings
        findings={[finding({}), finding({ code: 'bulk.step', severity: 'note', message: 'it jumps', fix: null })]}
        onTake={(other, words) => taken.push([other, words])}
      />,
    );
    const [late, step] = within(screen.getByRole('list', { name: 'To be settled' })).getAllByRole('listitem');
    expect(late?.textContent).toContain('The tail is tied in late. It sits on the body as a bump.');
    expect(within(step ?? document.body).queryByRole('button')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'tie in tail before body' }));
    expect(taken).toEqual([[file, 'Tie in tail before body.']]);
    unmount();
    const { container } = render(<Findings findings={[]} onTake={() => undefined} />);
    expect(container.innerHTML).toBe('');
  });
});

describe('a step', () => {
  const shifts: number[] = [];
  const line = (key: string, usualMs: number | null = null, dragged = true): string => {
    shifts.length = 0;
    const step = sheet.steps.find((each) => each.key === key);
    if (!step) throw new Error(`no step ${key}`);
    const { container } = render(
      <StepLine
        laid={laid}
        step={step}
        number={4}
        thread={threadOf(laid.file)}
        usualMs={usualMs}
        figures={new FigureCache()}
        minded={[]}
        onShift={(by) => shifts.push(by)}
        {...(dragged ? { handleRef: () => undefined } : {})}
      />,
    );
    return container.textContent;
  };
  test('is moved by brackets on its number; what belongs to no part has a bare number', () => {
    line('body');
    const number = screen.getByRole('button', { name: 'Reorder body' });
    for (const key of ['[', ']', 'x']) fireEvent.keyDown(number, { key });
    expect(shifts).toEqual([-1, 1]);
  });
  test('that belongs to no part has a bare number', () => {
    line('whip', null, false);
    expect(screen.queryByRole('button', { name: /Reorder/ })).toBeNull();
  });
  test('says where the thread is and what is asked of it, and its usual time where that is known', () => {
    const told = line('wing', 95_000);
    expect(told).toMatch(/thread spun(behind the eyes|\d+(\.\d)? mm behind the eye|behind the head)/);
    expect(told).toContain('pull to 240 of 630 g');
    expect(told).toContain('usually 1:35');
    expect(told).not.toContain('butts to');
    expect(line('tail')).toMatch(/butts to \w/);
    expect(line('tail')).not.toContain('usually');
  });
  test.each([
    ['tail', 1, ['body', 'tail', 'wing']],
    ['wing', -2, ['wing', 'tail', 'body']],
    ['tail', -1, null],
    ['wing', 1, null],
    ['rib', 1, null],
  ] as const)('%s by %d', (id, by, ids) => {
    expect(shiftedBy(['tail', 'body', 'wing'], id, by)).toEqual(ids);
  });
});

describe('beside the steps', () => {
  test('what is on the table with its cuts, the measures, what it does and what may hurt', () => {
    render(
      <>
        <OnTheTable sheet={sheet} />
        <Proportions sheet={sheet} />
        <WaterAndCare sheet={sheet} />
      </>,
    );
    for (const { cut } of sheet.materials) if (cut !== null) expect(screen.getAllByText(`cut ${cut}`)).toBeTruthy();
    expect(screen.getByText('2.0 mm across')).toBeTruthy();
    for (const each of [...sheet.does, ...sheet.cautions]) expect(screen.getByText(each)).toBeTruthy();
  });
  test('a bulk that is even says so, one that is not says what is the matter', () => {
    const { rerender } = render(<BulkChart laid={laid} findings={[]} />);
    expect(screen.getByTestId('bulk').textContent).toContain('even under the body');
    // Where it marks nothing it is folded until it is asked for.
    expect(screen.queryByRole('img')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'show it' }));
    expect(screen.getByRole('img').getAttribute('aria-label')).toContain('even under the body');
    const jump: Finding = {
      code: 'bulk.step',
      costs: 'looks',
      reason: '',
      severity: 'note',
      parts: ['body'],
      message: 'under the body it jumps',
      figure: 0.4,
      limit: 0.25,
      atMm: 12,
      fix: null,
    };
    rerender(<BulkChart laid={laid} findings={[jump, { ...jump, code: 'order.rear', message: 'late' }]} />);
    const label = screen.getByRole('img').getAttribute('aria-label');
    expect(label).toContain('under the body it jumps');
    expect(label).not.toContain('late');
  });
});

describe('tied before', () => {
  const tied = (begun: number, more: Partial<TyingRecord> = {}): TyingRecord => ({
    ...newTying('a', 's', 'eye', begun),
    spent: { tail: 60_000 },
    done: begun + 1,
    ...more,
  });
  const box = (
    tyings: readonly TyingRecord[],
    onRemove = () => Promise.resolve(),
    onRestore = () => Promise.resolve(),
  ) => render(<TyingsBox tyings={tyings} onRemove={onRemove} onRestore={onRestore} />);
  test('nothing where it never was; how often and how long where it was, with what differed', () => {
    const { container, unmount } = box([]);
    expect(container.innerHTML).toBe('');
    unmount();
    box([tied(1), tied(2, { spent: { tail: 90_000 }, differs: { 'rib/wind': 'six turns' } }), tied(3, { done: null })]);
    const told = screen.getByTestId('tyings').textContent;
    expect(told).toMatch(/^Tied 2 times, usually in 1:30/);
    expect(told).toContain('rib wind: six turns');
    expect(told).toContain('not finished');
  });
  test('one that was only begun is not called tied; many are counted, the newest shown', () => {
    const { unmount } = box([tied(1, { done: null })]);
    expect(screen.getByTestId('tyings').textContent).toMatch(/^Begun at the vise/);
    unmount();
    box(Array.from({ length: 9 }, (_, i) => tied(i + 1)));
    expect(screen.getAllByRole('listitem')).toHaveLength(6);
    expect(screen.getByTestId('tyings').textContent).toContain('and 3 before these');
  });
  test('a record is removed, and brought back by the way back that is offered', async () => {
    const removed = jest.fn(() => Promise.resolve());
    const restored = jest.fn(() => Promise.resolve());
    box([tied(1)], removed, restored);
    await act(async () => {
      fireEvent.click(screen.getByRole('button', { name: /Remove the record/ }));
      await Promise.resolve();
    });
    expect(removed).toHaveBeenCalledTimes(1);
    useToast.getState().toast?.action?.run();
    expect(restored).toHaveBeenCalledTimes(1);
  });
  test('a server that is away is told of, and the record stays', async () => {
    box([tied(1)], () => Promise.reject(new Error('The server does not answer.')));
    await act(async () => {
      fireEvent.click(screen.getByRole('button', { name: /Remove the record/ }));
      await Promise.resolve();
      await Promise.resolve();
    });
    expect(useToast.getState().toast?.words).toBe('The server does not answer.');
    expect(screen.getAllByRole('listitem')).toHaveLength(1);
  });
});
