import { readFlyValue, type FlyFile } from '@jobbet/core/pattern';
import { dequal } from 'dequal';
import { z } from 'zod';
import { kept, tabStore, type Kept } from '../shared/kept/kept.ts';
import type { Bench } from './store.ts';

/** Steps of undo that outlive a reload. */
const MOST = 300;

/** A text as it differs from the one before: so much of its beginning and of its end, and what stands between. */
type Step = [begin: number, end: number, between: string];

const undoSchema = z.object({
  /** The first file, then each as it differs from the one before it. */
  first: z.string(),
  steps: z.array(z.tuple([z.number().int().min(0), z.number().int().min(0), z.string()])).max(2 * MOST + 1),
  /** Which of them is on the bench. */
  at: z.number().int().min(0),
});
type KeptUndo = z.infer<typeof undoSchema>;

const placeOf = (id: string): Kept<KeptUndo | null> => kept(`jobbet.undo.${id}`, undoSchema.nullable(), null, tabStore);

const texts = new WeakMap<FlyFile, string>();
function textOf(file: FlyFile): string {
  const known = texts.get(file);
  if (known !== undefined) return known;
  const text = JSON.stringify(file);
  texts.set(file, text);
  return text;
}

function stepFrom(before: string, after: string): Step {
  const most = Math.min(before.length, after.length);
  let begin = 0;
  while (begin < most && before[begin] === after[begin]) begin++;
  let end = 0;
  while (end < most - begin && before.at(-1 - end) === after.at(-1 - end)) end++;
  return [begin, end, after.slice(begin, after.length - end)];
}

const stepped = (text: string, [begin, end, between]: Step): string =>
  `${text.slice(0, begin)}${between}${text.slice(text.length - end)}`;

/** What was done to a fly and taken back, in the order it was done. */
interface Undo {
  readonly past: readonly FlyFile[];
  readonly future: readonly FlyFile[];
}

/** Keeps the way back for this tab; the nearest steps where there are more than are kept. */
function keepUndo(id: string, file: FlyFile, { past, future }: Undo): void {
  const near = past.slice(-MOST);
  const all = [...near, file, ...future.slice(0, MOST)].map(textOf);
  const [first = ''] = all;
  const steps = all.slice(1).map((text, i): Step => stepFrom(all[i] ?? '', text));
  if (steps.length === 0) placeOf(id).remove();
  else placeOf(id).write({ first, steps, at: near.length });
}

const readText = (text: string): FlyFile | null => {
  try {
    const read = readFlyValue(JSON.parse(text));
    return read.ok ? read.value : null;
  } catch {
    return null;
  }
};

/** The way back that was kept, where it leads to the very file on the bench; what no longer reads ends it. */
function takeUndo(id: string, file: FlyFile): Undo | null {
  const undo = placeOf(id).read();
  if (!undo) return null;
  const all = [undo.first];
  for (const step of undo.steps) all.push(stepped(all.at(-1) ?? '', step));
  if (!dequal(readText(all[undo.at] ?? ''), file)) return null;
  const whole = (some: readonly string[]): FlyFile[] => {
    const files: FlyFile[] = [];
    for (const text of some) {
      const read = readText(text);
      if (!read) break;
      files.push(read);
    }
    return files;
  };
  return {
    past: whole(all.slice(0, undo.at).reverse()).reverse(),
    future: whole(all.slice(undo.at + 1)),
  };
}

/** What is kept is written when the hand has rested so long. */
const RESTS_MS = 300;

/** Takes up the way back as it was left in this tab, and keeps it from now on. @returns what ends that */
export function followUndo(bench: Bench): () => void {
  const { id, file } = bench.getState();
  const undo = takeUndo(id, file);
  if (undo)
    bench.temporal.setState({
      pastStates: undo.past.map((each) => ({ file: each })),
      futureStates: undo.future.map((each) => ({ file: each })).reverse(),
    });
  const filesOf = (states: readonly { readonly file?: FlyFile }[]): FlyFile[] =>
    states.flatMap((each) => (each.file ? [each.file] : []));
  let timer: ReturnType<typeof setTimeout> | undefined;
  const keep = (): void => {
    if (timer === undefined) return;
    clearTimeout(timer);
    timer = undefined;
    const { pastStates, futureStates } = bench.temporal.getState();
    keepUndo(id, bench.getState().file, { past: filesOf(pastStates), future: filesOf(futureStates).reverse() });
  };
  const leave = bench.subscribe((now, before) => {
    if (now.moving || (now.file === before.file && now.moving === before.moving)) return;
    clearTimeout(timer);
    timer = setTimeout(keep, RESTS_MS);
  });
  window.addEventListener('pagehide', keep);
  return () => {
    keep();
    leave();
    window.removeEventListener('pagehide', keep);
  };
}
