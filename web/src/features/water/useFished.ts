import type { Drawers } from '@jobbet/core/drawers';
import type { FlyFile } from '@jobbet/core/pattern';
import type { OtherEyes } from '@jobbet/core/water';
import { proxy } from 'comlink';
import { useMemo, useState } from 'react';
import { fishesHere } from '../../fly/fishesHere.ts';
import { useBench } from '../../fly/store.ts';
import { api, type StoredBeat } from '../../shared/api/client.ts';
import { useFlies, useFlyOf } from '../../shared/api/listed.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { reckonerOf } from '../../shared/solve/solver.ts';
import { useAsked, type AnswerTo } from '../../shared/solve/useAsked.ts';
import { say } from '../../shared/ui/toast.ts';
import type { Asking } from './asking.ts';
import { fishesWords } from './lies.ts';
import type { BoxAnswer, Further, Question, Refused, Shown, waterReckon, Whole } from './reckon.ts';

const reckoner = reckonerOf<ReturnType<typeof waterReckon>>('water');

interface Posed {
  readonly question: Question;
  readonly drawers: Drawers;
}
const once = ({ question, drawers }: Posed): Promise<Shown | Refused> =>
  reckoner.short<Shown | Refused>(drawers, async (handlers) => handlers.once(question));
const whole = ({ question, drawers }: Posed): Promise<Whole | Refused | null> =>
  reckoner.long<Whole | Refused | null>(drawers, async (handlers) => handlers.whole(question));
const eyes = ({ question, drawers }: Posed): Promise<OtherEyes | null> =>
  reckoner.long<OtherEyes | null>(drawers, async (handlers) => handlers.eyes(question));
const further = ({ question, drawers }: Posed): Promise<Further | null> =>
  reckoner.long<Further | null>(drawers, async (handlers) => handlers.further(question));

/** What the water does to the fly as it is asked: one run first, then its band and what is said, then ways to the wanted depth. */
export interface Fished {
  readonly question: Question | null;
  readonly shown: Shown | null;
  readonly whole: Whole | null;
  readonly further: Further | null;
  /** Other eyes for the wanted depth: null before they are looked for, or where there are none. */
  readonly eyes: OtherEyes | null;
  readonly faults: Refused['faults'];
}

/** What is shown: the whole answer to the question as it is now, else what came last of either, so that what is looked at never goes back to what was asked before it. */
export function useNewest(
  whole: Pick<AnswerTo<Shown | Refused | null>, 'answer' | 'current'>,
  { answer: once }: Pick<AnswerTo<Shown | Refused>, 'answer'>,
): Shown | null {
  const [last, setLast] = useState<{ readonly shown: Shown | null; readonly once: Shown | Refused | null }>({
    shown: null,
    once: null,
  });
  const came = once !== last.once && once?.ok === true ? once : last.shown;
  const shown = whole.current && whole.answer?.ok === true ? whole.answer : came;
  if (shown !== last.shown || once !== last.once) setLast({ shown, once });
  return shown;
}

export function useFished({
  beat,
  level,
  texts,
  pulling,
  dropper: second,
}: Pick<Asking, 'level' | 'texts' | 'pulling' | 'dropper'> & { readonly beat: StoredBeat | null }): Fished {
  const { file } = useBench((state) => state.calm);
  const drawers = useBench((state) => state.drawers);
  const style = useStyle();
  const { flies } = useFlies();
  const tied = useFlyOf(second ? flies?.find(({ id }) => id === second.fly) : null);
  const above = second?.above ?? '';
  const dropper = useMemo(() => (tied ? { file: tied.file, above } : null), [tied, above]);
  const posed = useMemo(
    (): Posed | null =>
      beat ? { question: { file, beat: beat.record, level, texts, style, dropper, coarse: pulling }, drawers } : null,
    [file, beat, level, texts, style, dropper, pulling, drawers],
  );
  const first = useAsked(posed, once);
  // While something is pulled it follows coarsely, and settles once it is let go.
  const rest = useAsked(pulling ? null : posed, whole);
  // Ways are looked for once the band is here: the one would end the other.
  const more = useAsked(rest.current && rest.answer?.ok === true ? posed : null, further);
  const other = useAsked(more.current ? posed : null, eyes);
  const answer = useNewest(rest, first);
  return {
    question: posed?.question ?? null,
    shown: answer,
    whole: rest.current && rest.answer?.ok === true ? rest.answer : null,
    further: more.current ? more.answer : null,
    eyes: other.current ? other.answer : null,
    faults: first.current && first.answer?.ok === false ? first.answer.faults : [],
  };
}

/** How the flies of the box fish here, once that is asked. */
export interface BoxHere {
  readonly working: number | null;
  readonly answer: BoxAnswer | null;
  readonly ask: () => void;
}

const patterns = async (): Promise<{ id: string; file: FlyFile }[]> => {
  const flies = await api.flies();
  const all = await Promise.all(flies.filter(({ summary }) => summary !== null).map(({ id }) => api.fly(id)));
  return all.map(({ id, file }) => ({ id, file }));
};

export function useBoxHere(question: Question | null): BoxHere {
  const drawers = useBench((state) => state.drawers);
  const [working, setWorking] = useState<number | null>(null);
  const [found, setFound] = useState<{ readonly of: Question; readonly answer: BoxAnswer } | null>(null);
  const ask = async (of: Question): Promise<void> => {
    setWorking(0);
    try {
      const flies = await patterns();
      const answer = await reckoner.long<BoxAnswer | null>(drawers, async (handlers) =>
        handlers.which(of, flies, proxy(setWorking)),
      );
      if (!answer) return;
      setFound({ of, answer });
      fishesHere.write({
        where: of.level === '' ? of.beat.name : `${of.beat.name} at ${of.level}`,
        flies: answer.found.map((fly) => ({ id: fly.id, words: fishesWords(fly, of.style) })),
      });
    } catch (error) {
      say(error instanceof Error ? error.message : 'The box could not be asked.');
    } finally {
      setWorking(null);
    }
  };
  return {
    working,
    answer: found && found.of === question ? found.answer : null,
    ask: () => {
      if (question) void ask(question);
    },
  };
}
