import type { Fault } from '@jobbet/core/base';
import type { ReadingKind } from '@jobbet/core/instruments';
import { useEffect, useId, useRef, useState, type KeyboardEvent } from 'react';
import { withUnit } from '@jobbet/core/units';
import { useSettings } from '../settings/settings.ts';
import { aimAt, type Measures } from '../instruments/store.ts';
import { SnagFlag } from '../ui/SnagFlag.tsx';

interface FieldProps {
  readonly label: string;
  readonly value: string;
  readonly empty?: string | undefined;
  /** Takes the text, or answers with why not. */
  readonly onChange: (text: string) => readonly Fault[];
  /** The text a step up or down makes of it, for arrow keys; null where there is no number. */
  readonly onStep?: ((steps: number) => string | null) | undefined;
  readonly options?: readonly string[] | undefined;
  readonly measures?: Measures | undefined;
  /** Takes the readings one by one as they land, and whether they begin anew, instead of what they come to as a text. */
  readonly onReadings?: ((readings: readonly number[], fresh: boolean) => void) | undefined;
  /** The unit that a bare number takes once it is done with: at Enter, or when the field is left. */
  readonly unit?: string | undefined;
  /** Whatever is typed is taken once it is done with: what stands there until then reads too, and is not meant. */
  readonly later?: boolean;
}

/** A reading as it is written: hundredths of a millimetre, tenths of a milligram. */
const readingText = (kind: ReadingKind, value: number): string =>
  kind === 'length' ? `${String(Math.round(value * 100) / 100)} mm` : `${String(Math.round(value * 10) / 10)} mg`;

const Options = ({ id, options }: { readonly id: string; readonly options: readonly string[] }) => (
  <datalist id={id}>
    {[...new Set(options)].map((option) => (
      <option key={option} value={option} />
    ))}
  </datalist>
);

/** Why what is typed was not taken. */
const WhyNot = ({ id, fault }: { readonly id: string; readonly fault: Fault }) => (
  <span id={id} role="alert" className="flex gap-1.5 text-body text-warn font-normal leading-snug my-1">
    <SnagFlag />
    <span>{fault.message}</span>
  </span>
);

/**
 * A blank in a sentence. What is typed is taken as soon as it reads; until then the last good fly stays on the drawing,
 * the text stays in the field, and the reason stands beneath it. Escape goes back to what was.
 */
export function TextField({
  label,
  value,
  empty,
  onChange,
  onStep,
  options,
  measures,
  onReadings,
  unit,
  later = false,
}: FieldProps) {
  /** What is typed and not taken yet; it belongs to the value it was typed over, and falls away when that changes. */
  const [typed, setTyped] = useState<{ text: string; over: string; fault: Fault | null } | null>(null);
  const id = useId();
  const draft = typed?.over === value ? typed.text : null;
  const fault = typed?.over === value ? typed.fault : null;
  const asked = useSettings().bareNumbers === 'ask' || unit === undefined;
  /** A bare number with its unit; it waits until it is done with, since it may go on: `1` is the beginning of `1.2 shank`. */
  const whole = (text: string): string => (asked ? text : withUnit(text, unit));
  const take = (text: string): void => {
    const waits = later || whole(text) !== text;
    const [first] = waits ? [] : onChange(text);
    setTyped({ text, over: value, fault: first ?? null });
  };
  const finish = (): void => {
    if (draft === null || (!later && whole(draft) === draft)) return;
    const [first] = onChange(whole(draft));
    setTyped(first ? { text: draft, over: value, fault: first } : null);
  };
  /** The newest way of taking a text: a reading may land long after the focus came. */
  const landing = useRef({ take, onReadings });
  useEffect(() => {
    landing.current = { take, onReadings };
  });
  const key = (event: KeyboardEvent<HTMLInputElement>): void => {
    if (event.key === 'Escape' && draft !== null) {
      event.stopPropagation();
      setTyped(null);
    }
    if (event.key === 'Enter') event.currentTarget.blur();
    const steps = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    const next = steps === undefined || options ? null : (onStep?.(event.shiftKey ? steps / 5 : steps) ?? null);
    if (next === null) return;
    event.preventDefault();
    take(next);
  };
  return (
    <span className="inline-block max-w-full align-baseline">
      <input
        className="field"
        aria-label={label}
        value={draft ?? value}
        placeholder={empty ?? 'write here'}
        aria-invalid={fault !== null}
        aria-describedby={fault ? `${id}-fault` : undefined}
        list={options ? `${id}-list` : undefined}
        spellCheck={false}
        autoComplete="off"
        onChange={(event) => take(event.target.value)}
        onKeyDown={key}
        onBlur={finish}
        onFocus={() => {
          if (measures)
            aimAt({
              id: `${id} ${label}`,
              name: label,
              ...measures,
              land: ({ mean }, readings, fresh) => {
                if (landing.current.onReadings) landing.current.onReadings(readings, fresh);
                else landing.current.take(readingText(measures.kind, mean));
              },
            });
        }}
      />
      {options && <Options id={`${id}-list`} options={options} />}
      {fault && <WhyNot id={`${id}-fault`} fault={fault} />}
    </span>
  );
}

interface ChoiceProps {
  readonly label: string;
  readonly value: string;
  readonly options: readonly (string | readonly [value: string, words: string])[];
  readonly empty?: string | undefined;
  readonly onChange: (value: string) => void;
}

/** A blank that takes one of a few words. */
export function ChoiceField({ label, value, options, empty, onChange }: ChoiceProps) {
  return (
    <select className="field" aria-label={label} value={value} onChange={(event) => onChange(event.target.value)}>
      {empty !== undefined && <option value="">{empty}</option>}
      {options.map((option) =>
        typeof option === 'string' ? (
          <option key={option} value={option}>
            {option}
          </option>
        ) : (
          <option key={option[0]} value={option[0]}>
            {option[1]}
          </option>
        ),
      )}
    </select>
  );
}
