import type { Fault } from '@jobbet/core/base';
import { HEADS, intentWords, WATER_KINDS, type FlyFile } from '@jobbet/core/pattern';
import type { Finding } from '@jobbet/core/checks';
import { COLOUR_WORDS } from '@jobbet/core/data';
import { USUAL_TEMPERATURE, platformTotals } from '@jobbet/core/model';
import { formatLength, formatMass, formatTemperature } from '@jobbet/core/units';
import { changePlatform, type Left, withField } from '@jobbet/core/edit';
import { useState } from 'react';
import { Link } from 'react-router';
import { useStyle } from '../../shared/settings/settings.ts';
import { CheckCards } from '../../fly/verdict/Checks.tsx';
import { ChoiceField, TextField } from '../../shared/fields/Fields.tsx';
import { PlatformSentence, type TakePlatform } from './PlatformSentence.tsx';
import { SchoolChoice } from './SchoolBox.tsx';
import { SchoolCompare } from './SchoolCompare.tsx';
import { change, changeOrSay, useBench, useBenchStore } from '../../fly/store.ts';

const PLATFORM_TITLES: Readonly<Record<FlyFile['platform']['kind'], string>> = {
  single: 'Hook',
  double: 'Hook',
  jig: 'Hook',
  tube: 'Tube',
  shank: 'Shank',
};

/** An optional object with one field set, or taken away when the value is empty; nothing when no field is left. */
function withMaybe<T extends object>(object: T | undefined, key: string, value: unknown): T | undefined {
  const changed = withField(object ?? ({} as T), key, value === '' ? undefined : value);
  return Object.keys(changed).length === 0 ? undefined : changed;
}

/** A file with one of its optional parts set or taken away. */
function withOptional<K extends 'intent' | 'thread' | 'finish' | 'head' | 'notes'>(
  file: FlyFile,
  key: K,
  value: FlyFile[K],
): FlyFile {
  const { [key]: _gone, ...rest } = file;
  return (value === undefined ? rest : { ...rest, [key]: value }) as FlyFile;
}

const withoutRun = ({ sizeOf: _gone, ...file }: FlyFile): FlyFile => file;

interface SizeOfProps {
  readonly sizeOf: NonNullable<FlyFile['sizeOf']>;
  readonly onLeave: () => void;
}

/** Whose run this fly is a size of, and the way there or out of it. */
function SizeOf({ sizeOf, onLeave }: SizeOfProps) {
  const told = <b>{sizeOf.fly}</b>;
  return (
    <p className="px-4 pb-2 text-ink2" data-testid="size-of">
      Size {sizeOf.size.replace(':', ' ')} of the run of{' '}
      {sizeOf.id === undefined ? (
        told
      ) : (
        <Link className="underline underline-offset-2 text-ink" to={`/fly/${sizeOf.id}/sizes`}>
          {told}
        </Link>
      )}
      .{' '}
      <button type="button" className="underline underline-offset-2 hover:text-ink" onClick={onLeave}>
        Let it go its own way
      </button>
    </p>
  );
}

/** The hook as a sentence, the thread and head, and what the fly is meant to do. */
export function HookInspector({ findings }: { readonly findings: readonly Finding[] }) {
  const bench = useBenchStore();
  const laid = useBench((state) => state.calm);
  const { file } = laid;
  const [left, setLeft] = useState<readonly Left[]>([]);
  const take = (next: FlyFile, blank?: string): readonly Fault[] => change(bench, next, undefined, blank);
  const takePlatform: TakePlatform = (platform, blank) => {
    if (blank !== undefined) return take({ ...bench.getState().file, platform }, blank);
    takeOther(platform);
    return [];
  };
  /** Puts the fly on another platform and lists what could not follow. */
  const takeOther = (platform: FlyFile['platform']): void => {
    const { laid: now, drawers } = bench.getState();
    const changed = changePlatform(now, platform, drawers);
    if (!changed.ok) {
      const [fault] = changed.faults;
      bench.setState({ refused: fault ? `${fault.path}: ${fault.message}` : 'It cannot be tied on that.' });
      return;
    }
    setLeft(changed.value.left);
    changeOrSay(bench, changed.value.file);
  };
  return (
    <section aria-label="Hook, thread and aim" className="h-full overflow-y-auto">
      <h2 className="text-part font-bold px-4 pt-3">{PLATFORM_TITLES[file.platform.kind]}</h2>
      <PlatformSentence onTake={takePlatform} />
      <LeftBehind left={left} onUnderstood={() => setLeft([])} />
      <Weighs />
      {findings.length > 0 && (
        <div className="px-4 pb-3">
          <CheckCards findings={findings} />
        </div>
      )}
      <h3 className="font-bold px-4 pt-3 border-t border-hair">School</h3>
      {file.sizeOf && <SizeOf sizeOf={file.sizeOf} onLeave={() => take(withoutRun(file))} />}
      <SchoolChoice />
      <SchoolCompare />
      <ThreadAndHead take={take} />
      <Aim take={take} />
      <h3 className="font-bold px-4 pt-3 border-t border-hair">Notes</h3>
      <div className="px-4 pb-4 pt-1">
        <textarea
          aria-label="notes"
          className="w-full min-h-16 bg-sunk border border-hair p-1.5"
          value={file.notes ?? ''}
          maxLength={20000}
          onChange={(event) =>
            take(withOptional(file, 'notes', event.target.value === '' ? undefined : event.target.value), 'notes')
          }
        />
      </div>
    </section>
  );
}

type Take = (next: FlyFile, blank?: string) => readonly Fault[];

interface LeftBehindProps {
  readonly left: readonly Left[];
  readonly onUnderstood: () => void;
}

/** What could not follow onto another platform. */
function LeftBehind({ left, onUnderstood }: LeftBehindProps) {
  if (left.length === 0) return null;
  return (
    <div role="status" className="mx-4 mb-3 p-2 bg-warnwash text-ink" data-testid="left">
      <p className="font-semibold">
        {left.length === 1 ? 'One measure could not follow' : `${String(left.length)} measures could not follow`} and
        stand as they were:
      </p>
      <ul className="mt-1">
        {left.map((each) => (
          <li key={`${each.part}.${each.key}`}>
            {each.part}, {each.key}: <span className="italic line-through">{each.was}</span>{' '}
            <span className="italic text-measure">{each.now}</span>; {each.why}
          </li>
        ))}
      </ul>
      <button type="button" className="underline mt-1" onClick={onUnderstood}>
        Understood
      </button>
    </div>
  );
}

/** What the platform weighs, how much of its gap is left, and how far its measures are to be trusted. */
function Weighs() {
  const laid = useBench((state) => state.calm);
  const style = useStyle();
  const length = (mm: number): string => Object.values(formatLength(mm, style)).join(' ');
  const weight = formatMass(platformTotals(laid.platform).massMg, style);
  const { nominal } = laid.platform;
  return (
    <p className="px-4 pb-3 text-ink2">
      It weighs{' '}
      <span className="text-weight font-semibold">
        {weight.figure} {weight.unit}
      </span>
      .{' '}
      {laid.effectiveGapMm !== null && laid.platform.gapMm !== null && (
        <>
          Over the point{' '}
          <span className="text-measure italic" data-testid="effective-gap">
            {length(laid.effectiveGapMm)}
          </span>{' '}
          of the {length(laid.platform.gapMm)} gap are left.{' '}
        </>
      )}
      {nominal.shank && nominal.gap && nominal.wire
        ? 'Its measures are nominal (≈) until you write what the caliper says.'
        : nominal.shank || nominal.gap || nominal.wire
          ? 'Measures with ≈ are nominal.'
          : ''}
      {laid.platform.notes.map((note) => (
        <span key={note} className="block">
          {note[0]?.toUpperCase()}
          {note.slice(1)}.
        </span>
      ))}
    </p>
  );
}

/** Thread and head, as words with blanks. */
function ThreadAndHead({ take }: { readonly take: Take }) {
  const { file } = useBench((state) => state.calm);
  const denier = (text: string): readonly Fault[] => {
    const number = Number(text);
    if (text !== '' && !(number >= 10 && number <= 1000))
      return [{ path: '', code: 'range', message: 'a denier lies between 10 and 1000' }];
    return take(
      withOptional(
        file,
        'thread',
        text === '' ? withMaybe(file.thread, 'denier', '') : { ...file.thread, denier: number },
      ),
    );
  };
  return (
    <>
      <h3 className="font-bold px-4 pt-3 border-t border-hair">Thread and head</h3>
      <p className="px-4 pt-1 pb-3 leading-[1.9]">
        <TextField
          label="thread denier"
          value={file.thread?.denier === undefined ? '' : String(file.thread.denier)}
          empty="no"
          onChange={denier}
        />{' '}
        denier thread,{' '}
        <TextField
          label="thread colour"
          value={file.thread?.colour ?? ''}
          empty="no colour"
          options={COLOUR_WORDS}
          onChange={(text) => take(withOptional(file, 'thread', withMaybe(file.thread, 'colour', text)))}
        />
        ; a{' '}
        <ChoiceField
          label="head"
          value={file.head ?? ''}
          options={HEADS}
          empty="no"
          onChange={(head) => take(withOptional(file, 'head', head === '' ? undefined : (head as 'small')))}
        />{' '}
        head.
      </p>
    </>
  );
}

/** What the fly is meant to do, and in which water. */
function Aim({ take }: { readonly take: Take }) {
  const laid = useBench((state) => state.calm);
  const { file } = laid;
  const style = useStyle();
  const usual = formatTemperature(USUAL_TEMPERATURE, style);
  const aim = (key: string, value: string): readonly Fault[] =>
    take(withOptional(file, 'intent', withMaybe(file.intent, key, value)));
  const water = (key: string, value: string): readonly Fault[] =>
    take(withOptional(file, 'intent', withMaybe(file.intent, 'water', withMaybe(file.intent?.water, key, value))));
  return (
    <>
      <h3 className="font-bold px-4 pt-3 border-t border-hair">Aim</h3>
      <p className="px-4 pt-1 pb-3 leading-[1.9]">
        Meant to ride{' '}
        <ChoiceField
          label="meant ride"
          value={file.intent?.ride ?? ''}
          options={intentWords('ride')}
          empty="either way"
          onChange={(ride) => aim('ride', ride)}
        />
        , in{' '}
        <ChoiceField
          label="water"
          value={file.intent?.water?.kind ?? 'fresh'}
          options={WATER_KINDS}
          onChange={(value) => water('kind', value)}
        />{' '}
        water of{' '}
        <TextField
          label="water temperature"
          value={file.intent?.water?.temperature ?? ''}
          empty={`${usual.figure} ${usual.unit}`}
          onChange={(text) => water('temperature', text)}
          unit={style.temperature}
        />
        .
        {file.intent?.ride !== undefined && file.intent.ride !== laid.tight.ride && (
          <span className="block text-warn">It rides {laid.tight.ride.replaceAll('-', ' ')} instead.</span>
        )}
      </p>
    </>
  );
}
