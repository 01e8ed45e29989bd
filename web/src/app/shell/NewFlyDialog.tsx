import type { FlyFile } from '@jobbet/core/pattern';
import { HOOK_SIZES, TUBE, TUBE_MATERIALS } from '@jobbet/core/data';
import { named } from '@jobbet/core/drawers';
import { asKind, takePacket, newFly, NEW_PLATFORM, withField } from '@jobbet/core/edit';
import { withUnit } from '@jobbet/core/units';
import { useId, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { mutate } from 'swr';
import { api, RequestError } from '../../shared/api/client.ts';
import { useDrawers } from '../../shared/api/useDrawers.ts';
import { useSettings } from '../../shared/settings/settings.ts';
import { DialogBox } from '../../shared/ui/DialogBox.tsx';

type Platform = FlyFile['platform'];
type Hook = Exclude<Platform, { kind: 'tube' | 'shank' }>;
type Body = Extract<Platform, { kind: 'tube' | 'shank' }>;

const KINDS = [
  ['single', 'single hook'],
  ['double', 'double hook'],
  ['jig', 'jig hook'],
  ['tube', 'tube'],
  ['shank', 'shank with a trailing hook'],
] as const;
/** mm long, when a hook is laid aside for a tube or a shank. */
const NEW_LENGTH_MM = 30;

const label = 'flex flex-col gap-0.5 text-label italic text-ink2';
const box = 'h-8 px-2 border border-rule bg-sheet text-row not-italic text-ink min-w-0';

interface SelectProps {
  readonly words: string;
  readonly value: string;
  readonly options: readonly (string | readonly [string, string])[];
  readonly onChange: (value: string) => void;
}

function Select({ words, value, options, onChange }: SelectProps) {
  return (
    <label className={label}>
      {words}
      <select aria-label={words} className={box} value={value} onChange={(event) => onChange(event.target.value)}>
        {options.map((option) => {
          const [key, text] = typeof option === 'string' ? [option, option] : option;
          return (
            <option key={key} value={key}>
              {text}
            </option>
          );
        })}
      </select>
    </label>
  );
}

interface Taking<P> {
  readonly platform: P;
  readonly onTake: (platform: Platform) => void;
}

function HookFields({ platform, onTake }: Taking<Hook>) {
  const packets = useDrawers().drawers?.items.hooks ?? [];
  const set = (key: string, value: unknown): void =>
    onTake(withField(withField(platform, 'packet', undefined), key, value));
  return (
    <>
      <Select
        words="From the packet"
        value={platform.packet ?? ''}
        options={[
          ['', 'none: nominal measures'],
          ...packets.filter((each) => each.form === platform.kind).map((each) => each.name),
        ]}
        onChange={(name) => {
          const packet = named(packets, name);
          onTake(packet ? takePacket(platform, packet) : withField(platform, 'packet', undefined));
        }}
      />
      <Select words="Size" value={platform.size ?? '6'} options={HOOK_SIZES} onChange={(size) => set('size', size)} />
      <Select
        words="Shank"
        value={String(platform.longX ?? 0)}
        options={[-2, -1, 0, 1, 2, 3, 4, 5, 6].map((x) => [
          String(x),
          x === 0 ? 'standard' : `${String(Math.abs(x))}X ${x > 0 ? 'long' : 'short'}`,
        ])}
        onChange={(x) => set('longX', Number(x))}
      />
      {platform.kind !== 'jig' && (
        <Select
          words="Eye"
          value={platform.eye ?? 'straight'}
          options={['straight', 'up', 'down', 'looped-up', 'looped-down']}
          onChange={(eye) => set('eye', eye)}
        />
      )}
    </>
  );
}

function BodyFields({ platform, onTake }: Taking<Body>) {
  const { hook } = platform;
  const { length, bareNumbers } = useSettings();
  const whole = (text: string): string => (bareNumbers === 'ask' ? text : withUnit(text, length));
  return (
    <>
      {platform.kind === 'tube' && (
        <Select
          words="Material"
          value={platform.material ?? TUBE.material}
          options={TUBE_MATERIALS.map((each) => each.name)}
          onChange={(material) => onTake(withField(platform, 'material', material))}
        />
      )}
      <label className={label}>
        Length
        <input
          className={box}
          value={platform.length}
          onChange={(event) => onTake({ ...platform, length: event.target.value })}
          onBlur={() => onTake({ ...platform, length: whole(platform.length) })}
        />
      </label>
      <Select
        words="Hook behind"
        value={hook?.kind ?? ''}
        options={[
          ['', 'none'],
          ['single', 'a single'],
          ['double', 'a double'],
        ]}
        onChange={(kind) => onTake(withField(platform, 'hook', kind === '' ? undefined : { size: '6', ...hook, kind }))}
      />
      {hook && (
        <Select
          words="Its size"
          value={hook.size ?? '6'}
          options={HOOK_SIZES}
          onChange={(size) => onTake(withField(platform, 'hook', { ...hook, size }))}
        />
      )}
    </>
  );
}

/** A name and what it is tied on: all a new fly needs. */
export function NewFlyDialog({ onClose }: { readonly onClose: () => void }) {
  const navigate = useNavigate();
  const problemId = useId();
  const [name, setName] = useState('');
  const [platform, setPlatform] = useState<Platform>(NEW_PLATFORM);
  const [problem, setProblem] = useState<string | null>(null);
  const make = async (event: { preventDefault: () => void }): Promise<void> => {
    event.preventDefault();
    try {
      const fly = await api.create(newFly(name.trim() || 'Unnamed fly', platform));
      await mutate('flies');
      onClose();
      void navigate(`/fly/${fly.id}`);
    } catch (error) {
      const [fault] = error instanceof RequestError ? error.faults : [];
      if (fault) setProblem(`${fault.path}: ${fault.message}`);
      else setProblem(error instanceof Error ? error.message : 'It could not be made.');
    }
  };
  const fields: ReactNode =
    platform.kind === 'tube' || platform.kind === 'shank' ? (
      <BodyFields platform={platform} onTake={setPlatform} />
    ) : (
      <HookFields platform={platform} onTake={setPlatform} />
    );
  return (
    <DialogBox title="Lay out a new fly" open onClose={onClose}>
      <form
        onSubmit={(event) => void make(event)}
        aria-describedby={problem === null ? undefined : problemId}
        className="grid grid-cols-2 gap-x-4 gap-y-3"
      >
        <label className={`${label} col-span-2`}>
          Name
          <input
            className={box}
            maxLength={120}
            value={name}
            placeholder="Unnamed fly"
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <Select
          words="Tied on"
          value={platform.kind}
          options={KINDS}
          onChange={(kind) => setPlatform(asKind(platform, kind as Platform['kind'], NEW_LENGTH_MM))}
        />
        {fields}
        {problem !== null && (
          <p role="alert" id={problemId} className="col-span-2 text-warn">
            {problem}
          </p>
        )}
        <div className="col-span-2">
          <button type="submit" className="sheet-button primary">
            Lay it out
          </button>
        </div>
      </form>
    </DialogBox>
  );
}
