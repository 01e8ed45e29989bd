import { layFly, type LaidFly } from '@jobbet/core/model';
import { readFlyValue, type FlyFile } from '@jobbet/core/pattern';
import type { Fault } from '@jobbet/core/base';
import { NOMINAL_DRAWERS, type Drawers } from '@jobbet/core/drawers';
import { temporal, type TemporalState } from 'zundo';
import { createContext, useContext } from 'react';
import { createStore, useStore, type StoreApi } from 'zustand';
import type { StoredFly } from '../shared/api/client.ts';
import type { PullState } from '../shared/drawing/Overlay.tsx';
import { figuresTookMs } from '../shared/solve/useReport.ts';
import { firstOf, isGone, partOf, type Selection } from './selection.ts';

/** `conflict`: saved elsewhere since it was opened. `gone`: it is no longer in the box. Both wait for someone to settle them. */
export type SaveState = 'saved' | 'waiting' | 'saving' | 'failed' | 'conflict' | 'gone';

/** Whether nothing may be sent before someone has said what is to become of it. */
export const isToSettle = (save: SaveState): save is 'conflict' | 'gone' => save === 'conflict' || save === 'gone';

/** A change that is shown and not made: its words, the fly with it, and the changes it goes on from, itself the last. */
interface Preview {
  readonly words: string;
  readonly file: FlyFile;
  readonly laid: LaidFly;
  readonly by: readonly FlyFile[];
}

export interface BenchState {
  readonly id: string;
  readonly file: FlyFile;
  readonly laid: LaidFly;
  /** The laid fly as the margins show it: the same at rest, a few times a second behind while something is pulled. */
  readonly calm: LaidFly;
  /** What the fly is solved with. */
  readonly drawers: Drawers;
  readonly selected: Selection;
  readonly moving: boolean;
  readonly save: SaveState;
  /** Why the last save did not go through, in the server's words; null once one has. */
  readonly saveProblem: string | null;
  readonly revision: number;
  /** Whether what is not on the server outlives this page; a full or closed store of the browser keeps nothing. */
  readonly onDevice: boolean;
  /** One sentence on why the last change was not taken, shown until the next one is. */
  readonly refused: string | null;
  /** Two schools whose outlines are laid over the drawing. */
  readonly compare: readonly [string, string] | null;
  /** What is being pulled on the drawing, and what it says. */
  readonly pull: PullState | null;
  /** A change that is shown on the drawing and not made yet. */
  readonly preview: Preview | null;
}

type Tracked = Pick<BenchState, 'file'>;
export type Bench = StoreApi<BenchState> & { temporal: StoreApi<TemporalState<Tracked>> };

/** Opens a stored fly on the bench. @throws Error when it does not lay out, which the server never stores */
export function createBench(fly: StoredFly, drawers: Drawers = NOMINAL_DRAWERS): Bench {
  const laid = layFly(fly.file, drawers);
  if (!laid.ok) throw new Error(laid.faults.map((fault) => `${fault.path}: ${fault.message}`).join('\n'));
  const bench = createStore<BenchState>()(
    temporal(
      (): BenchState => ({
        id: fly.id,
        file: fly.file,
        laid: laid.value,
        calm: laid.value,
        drawers,
        selected: firstOf(fly.file),
        moving: false,
        save: 'saved',
        saveProblem: null,
        revision: fly.revision,
        onDevice: true,
        refused: null,
        compare: null,
        pull: null,
        preview: null,
      }),
      {
        partialize: ({ file }) => ({ file }),
        equality: (a, b) => a.file === b.file,
        limit: 300,
      },
    ),
  );
  let due: ReturnType<typeof setTimeout> | undefined;
  const show = (): void => {
    clearTimeout(due);
    due = undefined;
    const { laid: now, calm } = bench.getState();
    if (now !== calm) bench.setState({ calm: now });
  };
  bench.subscribe(({ laid: now, calm, moving }) => {
    if (now === calm) return;
    if (moving) due ??= setTimeout(show, calmMs(figuresTookMs()));
    else show();
  });
  return bench;
}

/** How far behind a pull the margins may be; where their figures take long, so much longer that the pull has the machine for most of the time. */
const [CALM_MS, TIMES_TOOK] = [160, 3] as const;
export const calmMs = (tookMs: number): number => Math.max(CALM_MS, TIMES_TOOK * tookMs);

/** Typing that goes on in one blank within so long is one step of undo. */
const TYPING_MS = 1200;
const typing = new WeakMap<Bench, { readonly blank: string; readonly at: number; readonly file: FlyFile }>();

/** Whether a change goes on with the last one: the same blank, a moment ago, and nothing done in between. */
function goesOn(bench: Bench, blank: string | undefined, now: number): boolean {
  const last = typing.get(bench);
  return (
    blank !== undefined && last?.blank === blank && now - last.at < TYPING_MS && last.file === bench.getState().file
  );
}

/**
 * Takes a changed file if it reads and lays out, so that the bench never holds what the server would refuse. While a tip is pulled only
 * numbers in relations change, which laying out checks by itself.
 * @param blank the field that is typed in, so that a word typed letter by letter is one step of undo
 * @returns the faults that kept it from being taken
 */
export function change(bench: Bench, file: FlyFile, selected?: Selection, blank?: string): readonly Fault[] {
  const read = bench.getState().moving ? null : readFlyValue(file);
  if (read?.ok === false) return read.faults;
  const laid = layFly(file, bench.getState().drawers);
  if (!laid.ok) return laid.faults;
  const now = Date.now();
  const history = bench.temporal.getState();
  const on = goesOn(bench, blank, now);
  if (on) history.pause();
  bench.setState({
    file,
    laid: laid.value,
    refused: null,
    preview: null,
    ...(selected === undefined ? {} : { selected }),
  });
  if (on) history.resume();
  if (blank !== undefined) typing.set(bench, { blank, at: now, file });
  return [];
}

/** Solves the fly on the bench with other drawers: an item was changed here or in another tab. It is no step of undo. */
export function withDrawers(bench: Bench, drawers: Drawers): void {
  const { file, drawers: now } = bench.getState();
  if (drawers === now) return;
  const laid = layFly(file, drawers);
  if (!laid.ok) return;
  const history = bench.temporal.getState();
  history.pause();
  bench.setState({ drawers, laid: laid.value });
  history.resume();
}

/** Takes a change or says in a sentence why not. */
export function changeOrSay(bench: Bench, file: FlyFile, selected?: Selection): boolean {
  const [fault] = change(bench, file, selected);
  if (fault)
    bench.setState({ refused: `${fault.path === '' ? '' : `${placeWords(file, fault.path)} `}${fault.message}` });
  return fault === undefined;
}

/** `parts[2].length` as a tier reads it: `tail, length:` */
export function placeWords(file: FlyFile, path: string): string {
  const part = /^parts\[(\d+)\]\.?(.*)$/.exec(path);
  const id = part ? file.parts[Number(part[1])]?.id : undefined;
  return id === undefined ? `${path}:` : `${id}${part?.[2] ? `, ${part[2]}` : ''}:`;
}

/** Runs a drag as one step of undo: what lies between its start and its end is not remembered. */
export function asOneStep(bench: Bench): { readonly end: () => void } {
  const start = { file: bench.getState().file, laid: bench.getState().laid };
  bench.temporal.getState().pause();
  bench.setState({ moving: true });
  return {
    end: () => {
      const last = { file: bench.getState().file, laid: bench.getState().laid };
      if (last.file !== start.file) bench.setState(start);
      bench.temporal.getState().resume();
      bench.setState({ ...(last.file === start.file ? {} : last), moving: false });
    },
  };
}

export function undo(bench: Bench): void {
  bench.temporal.getState().undo();
  settle(bench);
}
export function redo(bench: Bench): void {
  bench.temporal.getState().redo();
  settle(bench);
}

/** Undo keeps files only: what it brings back is laid out again, and the chosen part may be gone. */
function settle(bench: Bench): void {
  const { file, selected, drawers } = bench.getState();
  const laid = layFly(file, drawers);
  const history = bench.temporal.getState();
  history.pause();
  if (laid.ok) bench.setState({ laid: laid.value });
  history.resume();
  if (isGone(selected, file)) bench.setState({ selected: firstOf(file), refused: null });
}

const BenchContext = createContext<Bench | null>(null);
export const BenchProvider = BenchContext.Provider;

export function useBenchStore(): Bench {
  const bench = useContext(BenchContext);
  if (!bench) throw new Error('no fly is on the bench');
  return bench;
}

export const useBench = <T>(select: (state: BenchState) => T): T => useStore(useBenchStore(), select);
/** The id of the chosen part; null while the hook or the checks are shown. */
export const useChosenPart = (): string | null => useBench((state) => partOf(state.selected));
export const useHistory = <T>(select: (state: TemporalState<Tracked>) => T): T =>
  useStore(useBenchStore().temporal, select);

/** Shows a change on the drawing without making it; shown again it is left. @param after changes that are in it already */
export function showPreview(bench: Bench, words: string, file: FlyFile, after: readonly FlyFile[] = []): void {
  const { preview, drawers } = bench.getState();
  const laid = preview?.file === file ? null : layFly(file, drawers);
  bench.setState({ preview: laid?.ok === true ? { words, file, laid: laid.value, by: [...after, file] } : null });
}

/** Makes the change that is shown. @returns its words, null when none is shown */
export function takePreview(bench: Bench): string | null {
  const { preview } = bench.getState();
  if (!preview || !changeOrSay(bench, preview.file)) return null;
  return preview.words;
}

export const leavePreview = (bench: Bench): void => {
  bench.setState({ preview: null });
};
