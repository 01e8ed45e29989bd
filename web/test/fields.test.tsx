import { jest } from '@jest/globals';
import { fireEvent, render, screen } from '@testing-library/react';
import type { Fault } from '@jobbet/core/base';
import { useState } from 'react';
import { ChoiceField, TextField } from '../src/shared/fields/Fields.tsx';

const fault: Fault = { path: 'x', code: 'syntax', message: 'does not read' };

/** A field that takes numbers only and keeps what it takes. */
function Held({ start, onStep }: { readonly start: string; readonly onStep?: (steps: number) => string | null }) {
  const [value, setValue] = useState(start);
  const take = (text: string): readonly Fault[] => {
    if (!/^\d*$/.test(text)) return [fault];
    setValue(text);
    return [];
  };
  return (
    <>
      <TextField label="turns" value={value} onChange={take} onStep={onStep} />
      <output>{value}</output>
      <button
        type="button"
        onClick={() => {
          setValue('99');
        }}
      >
        undo
      </button>
    </>
  );
}

const field = (): HTMLInputElement => screen.getByLabelText('turns');
const taken = (): string | null => screen.getByRole('status').textContent;
const type = (text: string): void => {
  fireEvent.change(field(), { target: { value: text } });
};

describe('a blank', () => {
  test('takes what reads at once', () => {
    render(<Held start="5" />);
    type('7');
    expect([field().value, taken()]).toEqual(['7', '7']);
    expect(field().getAttribute('aria-invalid')).toBe('false');
  });
  test('keeps what does not read, says why beneath it, and the last good value stays', () => {
    render(<Held start="5" />);
    type('7x');
    expect([field().value, taken()]).toEqual(['7x', '5']);
    expect(screen.getByRole('alert').textContent).toContain('does not read');
    expect(field().getAttribute('aria-describedby')).toBe(screen.getByRole('alert').id);
  });
  test('Escape goes back to what was', () => {
    render(<Held start="5" />);
    type('7x');
    fireEvent.keyDown(field(), { key: 'Escape' });
    expect([field().value, screen.queryByRole('alert')]).toEqual(['5', null]);
  });
  test('a value changed from outside takes the place of what was typed over the old one', () => {
    render(<Held start="5" />);
    type('7x');
    fireEvent.click(screen.getByText('undo'));
    expect([field().value, screen.queryByRole('alert')]).toEqual(['99', null]);
  });
  test('the arrows step, with Shift by a fifth', () => {
    const onStep = jest.fn((steps: number) => String(Math.round(100 + steps * 10)));
    render(<Held start="100" onStep={onStep} />);
    fireEvent.keyDown(field(), { key: 'ArrowUp' });
    expect(field().value).toBe('110');
    fireEvent.keyDown(field(), { key: 'ArrowDown', shiftKey: true });
    expect(onStep.mock.calls).toEqual([[1], [-0.2]]);
    expect(field().value).toBe('98');
  });
  test('where there is no number to step, the arrows are left alone', () => {
    render(<Held start="5" onStep={() => null} />);
    expect(fireEvent.keyDown(field(), { key: 'ArrowUp' })).toBe(true);
    expect(field().value).toBe('5');
  });
});

test('a choice offers what may stand there, and the usual as nothing', () => {
  const onChange = jest.fn();
  render(
    <ChoiceField label="side" value="" options={['top', ['none', 'no side']]} empty="usual" onChange={onChange} />,
  );
  const select: HTMLSelectElement = screen.getByLabelText('side');
  expect([...select.options].map((option) => [option.value, option.text])).toEqual([
    ['', 'usual'],
    ['top', 'top'],
    ['none', 'no side'],
  ]);
  fireEvent.change(select, { target: { value: 'none' } });
  expect(onChange).toHaveBeenCalledWith('none');
});
