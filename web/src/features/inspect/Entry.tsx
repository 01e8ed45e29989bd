import type { LengthReport, SpecimenReport } from '@jobbet/core/inspect';
import type { Reading, SpecimenFile } from '@jobbet/core/records';
import { formatLength, formatMass, type Style } from '@jobbet/core/units';
import { type ReactNode, useRef } from 'react';
import { useTiers } from '../../fly/hands/useSpreads.ts';
import { TextField } from '../../shared/fields/Fields.tsx';
import { type Measures, useInstruments } from '../../shared/instruments/store.ts';
import { useStyle } from '../../shared/settings/settings.ts';
import { SnagFlag } from '../../shared/ui/SnagFlag.tsx';
import { readingBy, readingsText, readReadings } from './readings.ts';
import type { MeasureShown } from './reckon.ts';

const words = (written: { readonly figure: string; readonly unit: string }): string =>
  `${written.figure} ${written.unit}`;

export type ChangeFly = (words: string, how: (record: SpecimenFile) => SpecimenFile) => void;

interface EntryProps {
  readonly record: SpecimenFile;
  readonly report: SpecimenReport | null;
  readonly measures: readonly MeasureShown[];
  readonly planMg: number;
  /** Soaked and shaken. */
  readonly castingMg: number;
  readonly onChange: ChangeFly;
}

/** What lies further out of the way is measured by who asks for it: the place past the bend is the same length told otherwise. */
const isUsual = ({ key }: MeasureShown): boolean => !key.endsWith('.pastBend') && key !== 'head';

/** A record with other readings of one measure; without any it is not measured. */
function withReadings(record: SpecimenFile, key: string, readings: readonly Reading[]): SpecimenFile {
  const { lengths = {}, ...rest } = record;
  const { [key]: _was, ...others } = lengths;
  const next = readings.length === 0 ? others : { ...others, [key]: [...readings] };
  return Object.keys(next).length === 0 ? rest : { ...rest, lengths: next };
}

/** Readings of the fly that is looked at, by caliper and scale: found, planned, and how far off. */
export function Entry({ record, report, measures, planMg, castingMg, onChange }: EntryProps) {
  const style = useStyle();
  const lengths = record.lengths ?? {};
  const shown = measures.filter((each) => isUsual(each) || lengths[each.key] !== undefined);
  const mass = report?.weight.mg ?? null;
  return (
    <section aria-label="Caliper and scale" className="px-4 py-3 border-t border-hair">
      <h2 className="font-bold">Caliper and scale</h2>
      <p className="text-label italic text-ink2 mb-1">Several readings of one: 18.2; 18.4</p>
      <TiedBy record={record} onChange={onChange} />
      <table className="w-full">
        <thead className="sr-only">
          <tr>
            <th>what</th>
            <th>found</th>
            <th>planned, and how far off</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((measure) => (
            <Line
              key={measure.key}
              name={measure.words}
              value={readingsText(lengths[measure.key])}
              told={toldOf(
                report?.lengths.find(({ part }) => part === measure.key),
                measure,
                style,
              )}
              measures={{ kind: 'length', nominal: measure.planMm }}
              known={lengths[measure.key]}
              onReadings={(readings) =>
                onChange(`${measure.words} of fly ${String(record.number ?? 1)}`, (now) =>
                  withReadings(now, measure.key, readings),
                )
              }
              onText={(text) => {
                const read = readReadings(text, 'length', style.length, lengths[measure.key]);
                if ('faults' in read) return read.faults;
                onChange(`${measure.words} of fly ${String(record.number ?? 1)}`, (now) =>
                  withReadings(now, measure.key, [...read.readings]),
                );
                return [];
              }}
            />
          ))}
          <WeightLine which="weight" name="weight, dry" {...{ planMg, record, onChange }}>
            {words(formatMass(planMg, style))}
            {mass !== null && (
              <Off
                text={`${mass >= planMg ? '+' : '−'}${words(formatMass(Math.abs(mass - planMg), style))}`}
                out={false}
              />
            )}
          </WeightLine>
          <WeightLine which="weightWet" name="weight, wet" planMg={castingMg} {...{ record, onChange }}>
            {words(formatMass(castingMg, style))}
          </WeightLine>
        </tbody>
      </table>
    </section>
  );
}

interface WeightLineProps extends Pick<EntryProps, 'record' | 'onChange'> {
  readonly which: 'weight' | 'weightWet';
  readonly name: string;
  readonly planMg: number;
  readonly children: ReactNode;
}

/** A weight of the whole fly: dry, or soaked and shaken. */
function WeightLine({ which, name, planMg, record, onChange, children }: WeightLineProps) {
  const keep = (readings: readonly Reading[]): void =>
    onChange(`${name} of fly ${String(record.number ?? 1)}`, ({ [which]: _was, ...now }) =>
      readings.length === 0 ? now : { ...now, [which]: [...readings] },
    );
  return (
    <Line
      name={name}
      value={readingsText(record[which])}
      measures={{ kind: 'mass', nominal: planMg }}
      known={record[which]}
      onReadings={keep}
      told={children}
      onText={(text) => {
        const read = readReadings(text, 'mass', 'g', record[which]);
        if ('faults' in read) return read.faults;
        keep(read.readings);
        return [];
      }}
    />
  );
}

/** Whose hands tied it: the hands that share the box are told apart by name. */
function TiedBy({ record, onChange }: Pick<EntryProps, 'record' | 'onChange'>) {
  const tiers = useTiers();
  return (
    <p className="flex justify-between gap-2 items-baseline border-t border-hair py-1">
      <span>Tied by</span>
      <span className="w-[150px]">
        <TextField
          label="tied by"
          value={record.hand ?? ''}
          empty="your hands"
          options={tiers}
          later
          onChange={(text) => {
            const name = text.trim();
            if (name.length > 80)
              return [{ path: '', code: 'size', message: 'a name has at most 80 signs: write a shorter one' }];
            onChange(
              `Fly ${String(record.number ?? 1)} tied by ${name === '' ? 'your hands' : name}`,
              ({ hand: _was, ...now }) => (name === '' ? now : { ...now, hand: name }),
            );
            return [];
          }}
        />
      </span>
    </p>
  );
}

const Off = ({ text, out }: { readonly text: string; readonly out: boolean }) => (
  <span className={`block ${out ? 'text-warn font-bold' : 'text-ink2'}`}>
    {out && <SnagFlag />} {text}
  </span>
);

/** What was planned, and by how much the fly is off it. */
function toldOf(found: LengthReport | undefined, { planMm }: MeasureShown, style: Style): ReactNode {
  const asked = found?.here_mm ?? planMm;
  const by = found && found.mm - asked;
  const off = by === undefined ? undefined : `${by >= 0 ? '+' : '−'}${words(formatLength(Math.abs(by), style))}`;
  return (
    <>
      {words(formatLength(asked, style))}
      {found && off !== undefined && <Off text={off} out={found.in === false} />}
      {found && found.asked.length > 0 && (
        <span className="block text-warn text-label">
          {found.asked.map((mm) => words(formatLength(mm, style))).join(', ')}: the same thing?
        </span>
      )}
    </>
  );
}

interface LineProps {
  readonly name: string;
  readonly value: string;
  readonly told: ReactNode;
  readonly measures: Measures;
  /** What was read of it so far; readings that land come after it. */
  readonly known: readonly Reading[] | undefined;
  readonly onReadings: (readings: readonly Reading[]) => void;
  readonly onText: Parameters<typeof TextField>[0]['onChange'];
}

/** A measure with its readings: typed, or taken from the caliper or the scale while it has the keyboard. */
function Line({ name, value, told, measures, known, onReadings, onText }: LineProps) {
  const before = useRef<readonly Reading[]>([]);
  const landed = (readings: readonly number[], fresh: boolean): void => {
    // The first of a series comes after what stood there; those that follow come after it.
    if (fresh) before.current = known ?? [];
    const { simulated } = useInstruments.getState().port;
    onReadings([...before.current, ...readings.map((each) => readingBy(measures.kind, each, simulated))]);
  };
  return (
    <tr className="border-t border-hair align-top">
      <th scope="row" className="text-left font-normal py-1 pr-2 first-letter:uppercase">
        {name}
      </th>
      <td className="py-1 w-[110px]" data-testid="found">
        <TextField
          label={name}
          value={value}
          empty="not measured"
          onChange={onText}
          measures={measures}
          onReadings={landed}
          later
        />
      </td>
      <td className="py-1 pl-2 text-right whitespace-nowrap text-measure">{told}</td>
    </tr>
  );
}
