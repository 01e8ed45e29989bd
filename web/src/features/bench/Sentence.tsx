import { readTypedNumber, type Style } from '@jobbet/core/units';
import type { Fault } from '@jobbet/core/base';
import type { LaidPart } from '@jobbet/core/model';
import { COLOUR_WORDS } from '@jobbet/core/data';
import { isLengthKey, readRelation, relationsOf, withKey, withPart } from '@jobbet/core/edit';
import { ROLES, loose, nudgeMm, pullRelation } from '@jobbet/core/pattern';
import { Fragment, type ReactNode } from 'react';
import { setSettings, useSettings, useStyle } from '../../shared/settings/settings.ts';
import type { Measures } from '../../shared/instruments/store.ts';
import { ChoiceField, TextField } from '../../shared/fields/Fields.tsx';
import { DoseField } from './DoseField.tsx';
import { sentenceOf } from './sentence.ts';
import { DETAILS, type Piece, type Swap } from './sentencePieces.ts';
import { change, changeOrSay, useBench, useBenchStore } from '../../fly/store.ts';

type Part = LaidPart['file'];
type Blank = Exclude<Piece, string>;

const fieldsOf = (part: Part): Readonly<Record<string, unknown>> => part;

function textOf(part: Part, key: string): string {
  const listed = /^(\w+)\[(\d+)\]$/.exec(key);
  const value = listed
    ? (fieldsOf(part)[listed[1] ?? ''] as unknown[] | undefined)?.[Number(listed[2])]
    : fieldsOf(part)[key];
  if (value === true) return YES;
  return typeof value === 'string' || typeof value === 'number' ? String(value) : '';
}

const YES = 'yes';

/** What a part is, in words with blanks; each blank is taken as it is typed, or says why not. */
export function Sentence({ part }: { readonly part: LaidPart }) {
  const bench = useBenchStore();
  const { id } = part.file;
  const drawers = useBench((state) => state.drawers);
  const pieces = sentenceOf(part.file, drawers);
  const end = pieces.indexOf(DETAILS);
  const [told, details] = end < 0 ? [pieces, []] : [pieces.slice(0, end), pieces.slice(end + 1)];
  const acts = useBlankActs(part);
  const { more } = useSettings();
  const blank = (piece: Blank): ReactNode => <BlankField part={part} piece={piece} acts={acts} />;
  return (
    <div className="px-4 pt-2 pb-3" data-sentence data-testid="sentence">
      <p className="text-sentence leading-[1.7]">
        <Pieces pieces={told} blank={blank} />
      </p>
      <button
        type="button"
        aria-expanded={more}
        className="mt-1 block text-left text-ink2 hover:text-ink"
        onClick={() => setSettings({ more: !more })}
      >
        <span className="underline underline-offset-2">{more ? 'less' : 'more'}</span>
        {!more && <span className="italic"> {[part.file.role, part.file.colour].filter(Boolean).join(', ')}</span>}
      </button>
      {more && (
        <>
          {details.length > 0 && (
            <p className="mt-1 text-ink2 leading-[1.7]">
              <Pieces pieces={details} blank={blank} />
            </p>
          )}
          <p className="mt-1 flex flex-wrap gap-x-2 items-baseline text-ink2">
            role{' '}
            <ChoiceField
              label="role"
              value={part.file.role}
              options={ROLES}
              onChange={(role) => acts.set('role', role)}
            />
            colour{' '}
            <TextField
              label="colour"
              value={part.file.colour ?? ''}
              empty="its own"
              options={COLOUR_WORDS}
              onChange={(text) => acts.set('colour', text)}
            />
            same piece as{' '}
            <ChoiceField
              label="the part whose piece it is"
              value={part.file.continues ?? ''}
              options={acts.others}
              empty="no other"
              onChange={(other) => {
                changeOrSay(
                  bench,
                  withPart(bench.getState().file, id, (each) => withKey(each, 'continues', other)),
                );
              }}
            />
          </p>
        </>
      )}
    </div>
  );
}

/** What the blanks of a part do with what is written into them. */
function useBlankActs(part: LaidPart) {
  const bench = useBenchStore();
  const laid = useBench((state) => state.calm);
  const { id } = part.file;
  const set = (key: string, value: string | number | boolean): readonly Fault[] => {
    const file = withPart(bench.getState().file, id, (each) => withKey(each, key, value === YES ? true : value));
    return change(bench, file, undefined, `${id}.${key}`);
  };
  const setCount = (key: string, text: string, least = 0): readonly Fault[] => {
    const typed = readTypedNumber(text, { least });
    if (typed.is === 'wrong') return [{ path: '', code: 'type', message: typed.message }];
    return set(key, typed.is === 'nothing' ? '' : typed.value);
  };
  const setColours = (key: string, text: string): readonly Fault[] => {
    const colours = text
      .split(',')
      .map((each) => each.trim())
      .filter((each) => each !== '');
    if (colours.length === 1)
      return [{ path: '', code: 'type', message: 'two colours or more, with commas between them' }];
    const file = withPart(bench.getState().file, id, (each) => {
      const bare = withKey(each, key, undefined);
      return colours.length === 0 ? bare : { ...bare, [key]: colours };
    });
    return change(bench, file, undefined, `${id}.${key}`);
  };
  const step = (key: string, steps: number): string | null => {
    const at = relationsOf(part.file).find((each) => each.key === key);
    const relation = at ? readRelation(at) : null;
    if (!relation) return null;
    const now = part.extent.readings[key]?.mm ?? part.extent.lengthMm;
    return pullRelation(relation, steps * nudgeMm(relation, laid.measures), laid.measures, now);
  };
  const swap = (among: readonly Swap[], key: string): void => {
    const to = among.find((each) => each.key === key);
    if (!to) return;
    const { lengthMm, tipMm, endMm, bindingsMm } = part.extent;
    const boundMm = endMm - (bindingsMm[0] ?? endMm);
    const value = to.start({ lengthMm: lengthMm + boundMm, tipMm, bendMm: laid.platform.landmarksMm.bend });
    const swapped = (each: Part): Part => {
      const cleared = among.reduce((next, other) => withKey(next, other.key, undefined), each);
      return { ...cleared, [key]: value };
    };
    change(bench, withPart(bench.getState().file, id, swapped));
  };
  const others = laid.file.parts.map((each) => each.id).filter((each) => each !== id);
  /** What a blank may name: another part, and for a coat the head as well. */
  const partsFor = (key: string): readonly string[] => (key === 'over' ? ['head', ...others] : others);
  /** What an instrument may measure for a blank, and what that is now. */
  const measuresOf = (kind: Blank['kind'], key: string): Measures | undefined => {
    if (kind === 'relation' && isLengthKey(key)) return { kind: 'length', nominal: part.extent.readings[key]?.mm };
    return key === 'mass' ? { kind: 'mass', nominal: part.massMg } : undefined;
  };
  return { set, setCount, setColours, step, swap, others, partsFor, measuresOf };
}

/** Colours in a row, as a part has them. */
function coloursOf(part: Part, key: string): readonly string[] {
  const colours = fieldsOf(part)[key];
  return Array.isArray(colours) ? colours.map(String) : [];
}

interface BlankFieldProps {
  readonly part: LaidPart;
  readonly piece: Blank;
  readonly acts: ReturnType<typeof useBlankActs>;
}

/** The unit of a bare number in a blank; nothing where one is a count or a word. */
function unitOf(kind: Blank['kind'], key: string, style: Style): string | undefined {
  if (kind === 'relation') return style.length;
  if (kind !== 'quantity') return undefined;
  return key === 'angle' ? 'deg' : key === 'mass' ? style.mass : undefined;
}

/** One blank, by its kind. */
function BlankField({
  part,
  piece,
  acts: { set, setCount, setColours, step, swap, partsFor, measuresOf },
}: BlankFieldProps) {
  const style = useStyle();
  if (piece.kind === 'swap') return <SwapField part={part.file} piece={piece} onSwap={swap} />;
  const { key, label, empty } = piece;
  const value = textOf(part.file, key);
  if (piece.kind === 'choice' || piece.kind === 'yes' || piece.kind === 'part')
    return (
      <ChoiceField
        label={label}
        value={value}
        options={piece.kind === 'choice' ? piece.options : piece.kind === 'yes' ? [[YES, label]] : partsFor(key)}
        empty={empty}
        onChange={(next) =>
          set(key, piece.kind === 'choice' && piece.numeric === true && next !== '' ? Number(next) : next)
        }
      />
    );
  if (piece.kind === 'colours')
    return (
      <TextField
        label={label}
        value={coloursOf(part.file, key).join(', ')}
        empty={empty}
        onChange={(text) => setColours(key, text)}
      />
    );
  if (piece.kind === 'dose') return <DoseField value={value} empty={empty} onChange={(next) => set(key, next)} />;
  if (piece.kind === 'share')
    return (
      <TextField
        label={label}
        value={value}
        empty={empty}
        onChange={(text) => setCount(key, text, -1)}
        onStep={(steps) => String(Math.round(Math.max(-1, Math.min(1, Number(value) + steps / 10)) * 100) / 100)}
      />
    );
  if (piece.kind === 'count')
    return (
      <TextField
        label={label}
        value={value}
        empty={empty}
        onChange={(text) => setCount(key, text)}
        onStep={(steps) => String(Math.max(0, Math.round((Number(value) + Math.sign(steps)) * 2) / 2))}
      />
    );
  return (
    <TextField
      label={label}
      value={value}
      empty={empty}
      onChange={(text) => set(key, piece.kind === 'relation' ? loose(text) : text)}
      onStep={piece.kind === 'relation' ? (steps) => step(key, steps) : undefined}
      options={piece.kind === 'words' ? piece.options : undefined}
      measures={measuresOf(piece.kind, key)}
      unit={unitOf(piece.kind, key, style)}
    />
  );
}

/** Words and blanks in a row; a comma stays on the line of what it follows. */
function Pieces({ pieces, blank }: { readonly pieces: readonly Piece[]; readonly blank: (piece: Blank) => ReactNode }) {
  return pieces.map((piece, i) => {
    const next = pieces[i + 1];
    const mark = typeof next === 'string' ? (/^[,;]/.exec(next)?.[0] ?? '') : '';
    if (typeof piece !== 'string')
      return (
        <Fragment key={i}>
          <span className={mark === '' ? '' : 'whitespace-nowrap'}>
            {blank(piece)}
            {mark}
          </span>{' '}
        </Fragment>
      );
    const words = i > 0 && typeof pieces[i - 1] !== 'string' ? piece.replace(/^[,;]\s*/, '') : piece;
    return words === '' ? null : <Fragment key={i}>{words} </Fragment>;
  });
}

interface SwapFieldProps {
  readonly part: Part;
  readonly piece: Extract<Piece, { kind: 'swap' }>;
  readonly onSwap: (among: readonly Swap[], key: string) => void;
}

/** Another way to say the same: a length or where it reaches, a dose or a pinch or a count. */
function SwapField({ part, piece, onSwap }: SwapFieldProps) {
  const now = piece.among.find((option) => fieldsOf(part)[option.key] !== undefined) ?? piece.among[0];
  return (
    <select
      className="bg-transparent text-ink2 border-b border-dotted border-rule"
      aria-label={piece.label}
      value={now?.key}
      onChange={(event) => onSwap(piece.among, event.target.value)}
    >
      {piece.among.map((option) => (
        <option key={option.key} value={option.key}>
          {option.words}
        </option>
      ))}
    </select>
  );
}
