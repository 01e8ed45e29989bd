import type { FlyFile } from '@jobbet/core/pattern';
import type { LaidFly } from '@jobbet/core/model';
import { waysOf, withWay } from '@jobbet/core/tying';
import { ChoiceField } from '../../shared/fields/Fields.tsx';

interface WaysBoxProps {
  readonly laid: LaidFly;
  readonly onTake: (file: FlyFile, words: string) => void;
}

/** Where tiers differ: how this fly does it, what that gives and costs, and the other ways. */
export function WaysBox({ laid, onTake }: WaysBoxProps) {
  return (
    <section aria-label="Ways of tying">
      <h2 className="font-semibold mt-3">Where tiers differ</h2>
      <ul>
        {waysOf(laid).map((way) => {
          const now = way.options.find((option) => option.value === way.now);
          return (
            <li key={way.key} className="border-t border-hair py-0.5">
              {way.words}{' '}
              <ChoiceField
                label={`${way.words}, way`}
                value={way.now}
                options={way.options.map((option) => [option.value, option.words] as const)}
                onChange={(value) => {
                  const chosen = way.options.find((option) => option.value === value);
                  onTake(withWay(laid, way.key, value), `${way.words} ${chosen?.words ?? ''}`);
                }}
              />
              <span className="block text-ink2">{now?.says}</span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
