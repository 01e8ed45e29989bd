import { partName } from '@jobbet/core/tying';
import type { LaidFly } from '@jobbet/core/model';
import { compareSchools, type Comparison, type Difference } from '@jobbet/core/checks';
import type { Drawers } from '@jobbet/core/drawers';
import { formatLength, formatMass } from '@jobbet/core/units';
import { useStyle } from '../../shared/settings/settings.ts';
import { ChoiceField } from '../../shared/fields/Fields.tsx';
import { useBench, useBenchStore } from '../../fly/store.ts';
import { schoolIn } from './useStanding.ts';

/** Two schools that are compared, and the fly after either. */
export interface Compared extends Comparison {
  readonly names: readonly [string, string];
}

let last: { readonly key: readonly unknown[]; readonly compared: Compared | null } | null = null;

/** The fly after two schools; worked out once for the drawing and the inspector. */
export function comparedOf(laid: LaidFly, words: readonly [string, string] | null, drawers: Drawers): Compared | null {
  if (!words) return null;
  const key = [laid, words, drawers];
  if (last?.key.every((each, i) => each === key[i]) === true) return last.compared;
  const [a, b] = words.map((word) => schoolIn(drawers, word));
  const compared = a && b ? { names: [a.name, b.name] as const, ...compareSchools(laid, a, b, drawers) } : null;
  last = { key, compared };
  return compared;
}

/** Which two schools to lay over each other, and what that comes to part by part. */
export function SchoolCompare() {
  const bench = useBenchStore();
  const laid = useBench((state) => state.calm);
  const drawers = useBench((state) => state.drawers);
  const compare = useBench((state) => state.compare);
  const compared = comparedOf(laid, compare, drawers);
  const own = schoolIn(drawers, laid.file.school)?.name ?? drawers.schools[0]?.name ?? '';
  const options = drawers.schools.map(({ name }) => [name, name] as const);
  const set = (a: string, b: string): void => bench.setState({ compare: a === '' || b === '' ? null : [a, b] });
  return (
    <div className="px-4 pb-3 leading-[1.9]" data-testid="compare">
      Compare{' '}
      <ChoiceField
        label="school compared"
        value={compare?.[0] ?? own}
        options={options}
        onChange={(word) => set(word, compare?.[1] ?? '')}
      />{' '}
      with{' '}
      <ChoiceField
        label="school compared with"
        value={compare?.[1] ?? ''}
        options={options}
        empty="none"
        onChange={(word) => set(compare?.[0] ?? own, word)}
      />
      {compared && <Differences compared={compared} />}
    </div>
  );
}

function Differences({ compared }: { readonly compared: Compared }) {
  const style = useStyle();
  const { names, flies, differences } = compared;
  if (names[0] === names[1]) return <p className="text-ink2">Choose two different schools.</p>;
  const mass = (fly: LaidFly): string => Object.values(formatMass(fly.dryMg, style)).join(' ');
  return (
    <>
      <table className="w-full mt-1 leading-tight text-body">
        <thead>
          <tr className="text-ink2 text-left align-bottom">
            <th className="font-normal">{style.length}</th>
            <th className="font-semibold text-measure">{names[0]}</th>
            <th className="font-semibold text-shape">{names[1]}</th>
          </tr>
        </thead>
        <tbody>
          {differences.map((each) => (
            <tr key={each.id}>
              <th className="font-normal text-left">{partName(each.id)}</th>
              {each.mm.map((mm, i) => (
                <td key={names[i]} className="italic">
                  {formatLength(mm, style).figure}
                </td>
              ))}
            </tr>
          ))}
          <tr>
            <th className="font-normal text-left">dry</th>
            {flies.map((fly, i) => (
              <td key={names[i]}>{mass(fly)}</td>
            ))}
          </tr>
        </tbody>
      </table>
      {differences.length === 0 && <p className="text-ink2">Both would tie this fly alike.</p>}
      {differences.map((each) => (
        <Reasons key={each.id} names={names} of={each} />
      ))}
    </>
  );
}

/** What either school says of a part, and what it says the other costs. */
function Reasons({ names, of }: { readonly names: readonly [string, string]; readonly of: Difference }) {
  return (
    <p className="mt-1 leading-snug text-ink2">
      <b className="text-ink">{partName(of.id)}</b>{' '}
      {names.map((name, i) => (
        <span key={name}>
          {name}: {of.rules[i] == null ? 'says nothing of it' : `${of.rules[i]}, ${of.why[i] ?? ''}`}.{' '}
        </span>
      ))}
    </p>
  );
}
