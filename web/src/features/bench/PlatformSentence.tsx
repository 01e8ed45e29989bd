import type { Fault } from '@jobbet/core/base';
import { hookWords, type FlyFile, type HookKeys } from '@jobbet/core/pattern';
import { HOOK_SIZES, TUBE, TUBE_MATERIALS, SHANK } from '@jobbet/core/data';
import { named } from '@jobbet/core/drawers';
import { asKind, takePacket, withField } from '@jobbet/core/edit';
import { formatLength } from '@jobbet/core/units';
import type { ReactNode } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { ChoiceField, TextField } from '../../shared/fields/Fields.tsx';
import { useBench } from '../../fly/store.ts';

type Platform = FlyFile['platform'];
type Body = Extract<Platform, { kind: 'tube' | 'shank' }>;
type Behind = NonNullable<Body['hook']>;

/** Takes another platform, or says why not. `blank` is the field typed in; a choice has none, and what leans on what is gone by it is left behind. */
export type TakePlatform = (platform: Platform, blank?: string) => readonly Fault[];

const steps = (low: number, high: number, more: string, less: string): (readonly [string, string])[] =>
  Array.from({ length: high - low + 1 }, (_, i) => low + i).map(
    (n) => [String(n), n === 0 ? 'standard' : `${String(Math.abs(n))}X ${n > 0 ? more : less}`] as const,
  );

/** The bend of a hook that runs on from its shank is a single's alone. */
const bendsOf = (kind: string): readonly string[] =>
  hookWords('bend').filter((bend) => kind === 'single' || bend !== 'continuous');

interface HookWordsProps<H> {
  readonly hook: H;
  /** Prefix of the labels: what tells a trailing hook's blanks from the body's. */
  readonly of: string;
  readonly onHook: (hook: H, blank?: string) => readonly Fault[];
}

/** A hook's size, make and measures as words with blanks; used for the hook tied on and for one behind. */
function HookWords<H extends HookKeys & { readonly kind: string }>({ hook, of, onHook }: HookWordsProps<H>) {
  const set = (key: string, value: string | number): readonly Fault[] =>
    onHook(withField(hook, key, value === '' ? undefined : value), `platform.${of}${key}`);
  const pick = (key: string, value: string | number): void => {
    onHook(withField(hook, key, value === '' ? undefined : value));
  };
  const label = (words: string): string => `${of === '' ? '' : 'trailing '}${words}`;
  const choose = (
    key: 'size' | 'eye' | 'bend' | 'barb' | 'finish',
    words: string,
    options: readonly string[],
    usual: string,
  ): ReactNode => (
    <ChoiceField
      label={label(words)}
      value={hook[key] ?? ''}
      options={options.filter((option) => option !== usual)}
      empty={usual}
      onChange={(value) => pick(key, value)}
    />
  );
  return (
    <>
      from <PacketField hook={hook} label={label('packet')} onHook={onHook} />, size{' '}
      {choose('size', 'size', HOOK_SIZES, 'as measured')},{' '}
      <ChoiceField
        label={label('length of shank')}
        value={String(hook.longX ?? 0)}
        options={steps(-4, 8, 'long', 'short')}
        onChange={(x) => pick('longX', x === '0' ? '' : Number(x))}
      />{' '}
      shank,{' '}
      <ChoiceField
        label={label('weight of wire')}
        value={String(hook.heavyX ?? 0)}
        options={steps(-3, 4, 'heavy', 'fine')}
        onChange={(x) => pick('heavyX', x === '0' ? '' : Number(x))}
      />{' '}
      wire,{hook.kind !== 'jig' && <> {choose('eye', 'eye', hookWords('eye'), 'straight')} eye,</>}{' '}
      {choose('bend', 'bend', bendsOf(hook.kind), 'round')} bend, {choose('barb', 'barb', hookWords('barb'), 'any')}{' '}
      barb, {choose('finish', 'finish', hookWords('finish'), 'any finish')};{' '}
      <Measured hook={hook} behind={of !== ''} label={label} onSet={set} />
    </>
  );
}

interface PacketFieldProps<H> {
  readonly hook: H;
  readonly label: string;
  readonly onHook: (hook: H) => void;
}

/** The packet a hook is out of, among those in the drawers that fit. */
function PacketField<H extends HookKeys & { readonly kind: string }>({ hook, label, onHook }: PacketFieldProps<H>) {
  const packets = useBench((state) => state.drawers.hooks);
  const item = hook.packet === undefined ? null : named(packets, hook.packet);
  const fitting = packets.filter((each) => each.form === hook.kind);
  return (
    <ChoiceField
      label={label}
      value={item?.name ?? hook.packet ?? ''}
      options={[
        ...fitting.map((each) => each.name),
        ...(hook.packet !== undefined && !item ? [[hook.packet, `${hook.packet} (not in the drawers)`] as const] : []),
      ]}
      empty="no packet"
      onChange={(name) => {
        const packet = named(packets, name);
        onHook(packet ? takePacket(hook, packet) : withField(hook, 'packet', undefined));
      }}
    />
  );
}

interface MeasuredProps {
  readonly hook: HookKeys;
  /** Whether it trails behind a tube or a shank. */
  readonly behind: boolean;
  readonly label: (words: string) => string;
  readonly onSet: (key: string, text: string) => readonly Fault[];
}

/** What the caliper says of a hook; what is nominal stands in the empty blanks. */
function Measured({ hook, behind, label, onSet }: MeasuredProps) {
  const { platform } = useBench((state) => state.calm);
  const style = useStyle();
  const measure = (mm: number | null, nominal: boolean): string =>
    mm === null ? '' : `${nominal ? '≈ ' : ''}${Object.values(formatLength(mm, style)).join(' ')}`;
  return (
    <>
      shank{' '}
      <TextField
        label={label('measured shank')}
        value={hook.shank ?? ''}
        empty={behind ? 'nominal' : measure(platform.shankMm, platform.nominal.shank)}
        onChange={(text) => onSet('shank', text)}
        unit={style.length}
        measures={{ kind: 'length', nominal: behind ? undefined : platform.shankMm }}
      />
      , gap{' '}
      <TextField
        label={label('measured gap')}
        value={hook.gap ?? ''}
        empty={measure(platform.gapMm, platform.nominal.gap)}
        onChange={(text) => onSet('gap', text)}
        unit={style.length}
        measures={{ kind: 'length', nominal: platform.gapMm ?? undefined }}
      />
      , wire{' '}
      <TextField
        label={label('measured wire')}
        value={hook.wire ?? ''}
        empty={measure(platform.wireMm, platform.nominal.wire)}
        onChange={(text) => onSet('wire', text)}
        unit={style.length}
        measures={{ kind: 'length', nominal: platform.wireMm ?? undefined }}
      />
    </>
  );
}

const KINDS = ['single', 'double', 'jig', 'tube', 'shank'] as const;

/** What the fly is tied on, as a sentence: a hook, a tube or a bare shank, and the hook behind it. */
export function PlatformSentence({ onTake }: { readonly onTake: TakePlatform }) {
  const laid = useBench((state) => state.calm);
  const style = useStyle();
  const platform = laid.file.platform;
  const set = (key: string, value: string): readonly Fault[] =>
    onTake(withField(platform, key, value === '' ? undefined : value), `platform.${key}`);
  const text = (key: string, label: string, value: string | undefined, empty: string): ReactNode => (
    <TextField
      label={label}
      value={value ?? ''}
      empty={empty}
      onChange={(words) => set(key, words)}
      unit={key === 'splay' ? 'deg' : style.length}
      measures={key === 'splay' ? undefined : { kind: 'length' }}
    />
  );
  return (
    <p className="px-4 pt-1 pb-3 text-[15.5px] leading-[1.75]" data-sentence data-testid="platform">
      A{' '}
      <ChoiceField
        label="kind of hook"
        value={platform.kind}
        options={KINDS}
        onChange={(kind) => onTake(asKind(platform, kind as Platform['kind'], laid.platform.shankMm))}
      />{' '}
      {platform.kind === 'tube' && (
        <>
          of{' '}
          <ChoiceField
            label="material of the tube"
            value={platform.material ?? ''}
            options={TUBE_MATERIALS.map((each) => each.name).filter((name) => name !== TUBE.material)}
            empty={TUBE.material}
            onChange={(material) => set('material', material)}
          />
          , {text('length', 'length of the tube', platform.length, 'write here')} long,{' '}
          {text('outside', 'outside of the tube', platform.outside, `${String(TUBE.outsideMm)} mm`)} outside,{' '}
          {text('inside', 'bore of the tube', platform.inside, `${String(TUBE.insideMm)} mm`)} bore
        </>
      )}
      {platform.kind === 'shank' && (
        <>
          of {text('wire', 'wire of the shank', platform.wire, `${String(SHANK.wireMm)} mm`)} wire,{' '}
          {text('length', 'length of the shank', platform.length, 'write here')} long
        </>
      )}
      {platform.kind === 'tube' || platform.kind === 'shank' ? (
        <TrailingWords platform={platform} onTake={onTake} />
      ) : (
        <>
          <HookWords hook={platform} of="" onHook={onTake} />
          {platform.kind === 'double' && <>, splay {text('splay', 'splay', platform.splay, '100 deg')}</>}
          {platform.kind === 'jig' && (
            <>
              , bent up by{' '}
              <ChoiceField
                label="bend up"
                value={platform.bendUp ?? ''}
                options={['90 deg']}
                empty="60 deg"
                onChange={(angle) => set('bendUp', angle)}
              />
            </>
          )}
        </>
      )}
      , head space{' '}
      {text(
        'headSpace',
        'head space',
        platform.headSpace,
        Object.values(formatLength(laid.headSpaceMm, style)).join(' '),
      )}
      .
    </p>
  );
}

function TrailingWords({ platform, onTake }: { readonly platform: Body; readonly onTake: TakePlatform }) {
  const style = useStyle();
  const { hook } = platform;
  const take = (next: Behind | undefined, blank?: string): readonly Fault[] =>
    onTake(withField(platform, 'hook', next), blank);
  const kind = (next: string): void => {
    if (next === '') take(undefined);
    else take({ size: '6', ...hook, kind: next } as Behind);
  };
  const text = (key: string, label: string, value: string | undefined, empty: string): ReactNode => (
    <TextField
      label={label}
      value={value ?? ''}
      empty={empty}
      onChange={(words) => onTake(withField(platform, key, words === '' ? undefined : words), `platform.${key}`)}
      unit={style.length}
    />
  );
  const usual = platform.kind === 'tube' ? 'point-down' : 'point-up';
  return (
    <>
      ; behind it{' '}
      <ChoiceField
        label="hook behind"
        value={hook?.kind ?? ''}
        options={[
          ['single', 'a single'],
          ['double', 'a double'],
        ]}
        empty="no hook"
        onChange={kind}
      />
      {hook && (
        <>
          ,{' '}
          <ChoiceField
            label="how the hook is held"
            value={hook.ride ?? usual}
            options={['point-down', 'point-up', ['free', 'hanging free']]}
            onChange={(ride) => take({ ...hook, ride: ride as 'free' })}
          />
          ,{' '}
          {platform.kind === 'tube' ? (
            <>{text('hookGap', 'gap to the hook', platform.hookGap, `${String(TUBE.hookGapMm)} mm`)} back</>
          ) : (
            <>
              on a loop of{' '}
              <ChoiceField
                label="loop"
                value={platform.loopOf ?? ''}
                options={['wire']}
                empty="braid"
                onChange={(of) => onTake(withField(platform, 'loopOf', of === '' ? undefined : of))}
              />{' '}
              {text('loop', 'length of the loop', platform.loop, `${String(SHANK.loopMm)} mm`)} long
            </>
          )}
          , <HookWords hook={hook} of="hook." onHook={take} />
          {hook.kind === 'double' && (
            <>
              , splay{' '}
              <TextField
                label="trailing splay"
                value={hook.splay ?? ''}
                empty="100 deg"
                unit="deg"
                onChange={(words) => take(withField(hook, 'splay', words === '' ? undefined : words), 'hook.splay')}
              />
            </>
          )}
        </>
      )}
    </>
  );
}
