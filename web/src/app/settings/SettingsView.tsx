import { setSettings, type Settings, useSettings } from '../../shared/settings/settings.ts';
import { useTiers } from '../../fly/hands/useSpreads.ts';
import { TextField } from '../../shared/fields/Fields.tsx';
import { BrokenRows } from './BrokenRows.tsx';
import { Devices } from './Devices.tsx';
import { KeepSafe } from './KeepSafe.tsx';
import { LeftOnDevice } from './LeftOnDevice.tsx';
import { HouseBar } from '../../shared/ui/HouseBar.tsx';

/** One setting with the values it may have. */
type RowProps = {
  [K in keyof Settings]: {
    readonly name: string;
    readonly key_: K;
    readonly options: readonly (readonly [value: Settings[K], words: string])[];
    readonly note?: string;
  };
}[keyof Settings];

function Row({ name, key_, options, note }: RowProps) {
  const settings = useSettings();
  return (
    <fieldset className="flex items-baseline gap-4 py-2 border-b border-hair">
      <legend className="float-left w-40 font-semibold text-row">{name}</legend>
      <div className="flex flex-wrap gap-x-5 gap-y-1">
        {options.map(([value, words]) => (
          <label key={words} className="flex items-baseline gap-1.5">
            <input
              type="radio"
              name={key_}
              checked={settings[key_] === value}
              onChange={() => setSettings({ [key_]: value })}
            />
            {words}
          </label>
        ))}
        {note !== undefined && <p className="w-full text-ink2">{note}</p>}
      </div>
    </fieldset>
  );
}

const ROWS: readonly RowProps[] = [
  {
    name: 'Lengths',
    key_: 'length',
    options: [
      ['mm', 'millimetres'],
      ['in', 'inches'],
    ],
    note: 'What you type keeps the unit you typed it in.',
  },
  {
    name: 'Bare numbers',
    key_: 'bareNumbers',
    options: [
      ['shown', 'take the unit that is shown'],
      ['ask', 'are asked back'],
    ],
    note: '35 is 35 mm where lengths are in millimetres, 1/8 an eighth of an inch where they are in inches.',
  },
  {
    name: 'Weights',
    key_: 'mass',
    options: [
      ['g', 'grams'],
      ['gr', 'grains'],
    ],
  },
  {
    name: 'Speeds',
    key_: 'speed',
    options: [
      ['cm/s', 'cm/s'],
      ['ft/s', 'ft/s'],
    ],
  },
  {
    name: 'Temperatures',
    key_: 'temperature',
    options: [
      ['C', '°C'],
      ['F', '°F'],
    ],
  },
  {
    name: 'Decimal sign',
    key_: 'decimal',
    options: [
      ['.', 'point'],
      [',', 'comma'],
    ],
  },
  {
    name: 'Hand',
    key_: 'hand',
    options: [
      ['right', 'right: the eye of the hook to the right'],
      ['left', 'left: the eye to the left'],
    ],
  },
  {
    name: 'Theme',
    key_: 'theme',
    options: [
      ['system', 'as the system'],
      ['light', 'light'],
      ['dark', 'dark'],
    ],
  },
  {
    name: 'Single keys',
    key_: 'singleKeys',
    options: [
      [true, 'on'],
      [false, 'off'],
    ],
    note: 'Letters that do something without Ctrl, outside fields.',
  },
  {
    name: 'Sheets',
    key_: 'beginner',
    options: [
      [false, 'short, techniques by name'],
      [true, 'for a beginner, techniques written out'],
    ],
  },
];

/** Whose hands tie here, where several share the box. */
function Whose() {
  const { tier } = useSettings();
  const tiers = useTiers();
  return (
    <div className="flex items-baseline gap-4 py-2 border-b border-hair">
      <span className="w-40 font-semibold text-row">Whose hands</span>
      <span className="w-60">
        <TextField
          label="whose hands"
          value={tier}
          empty="nobody else ties here"
          options={tiers}
          later
          onChange={(text) => {
            if (text.trim().length > 80)
              return [{ path: '', code: 'size', message: 'a name has at most 80 signs: write a shorter one' }];
            setSettings({ tier: text.trim() });
            return [];
          }}
        />
      </span>
    </div>
  );
}

/** How one person likes it, what is kept on this device, and the backup. */
export function SettingsView() {
  return (
    <div className="flex flex-col h-full">
      <HouseBar title="Settings" />
      <main tabIndex={0} className="p-4 max-w-2xl overflow-auto">
        <p className="text-ink2 mb-2">Kept in this browser.</p>
        {ROWS.map((row) => (
          <Row key={row.key_} {...row} />
        ))}
        <Whose />
        <KeepSafe />
        <LeftOnDevice />
        <BrokenRows />
        <Devices />
      </main>
    </div>
  );
}
