import { Command } from 'cmdk';
import { useMemo, useState, type ReactNode } from 'react';
import { finderOf, type FoundBy } from './found.ts';

interface FoundListProps<T> {
  readonly label: string;
  readonly placeholder: string;
  readonly items: readonly T[];
  readonly by: FoundBy<T>;
  readonly keyOf: (item: T) => string;
  /** Whether an item stands there before anything is typed. */
  readonly atFirst?: (item: T) => boolean;
  /** Under which words it stands before anything is typed. */
  readonly groupOf?: (item: T) => string;
  readonly show: (item: T) => ReactNode;
  readonly onTake: (item: T) => void;
  readonly none: string;
}

const HEADING =
  '[&_[cmdk-group-heading]]:text-label [&_[cmdk-group-heading]]:italic [&_[cmdk-group-heading]]:text-ink3 [&_[cmdk-group-heading]]:pt-2';

/** A list that is found in by typing; before that it stands whole, in its groups. */
export function FoundList<T>(props: FoundListProps<T>) {
  const { label, placeholder, items, by, keyOf, atFirst = () => true, groupOf, show, onTake, none } = props;
  const [words, setWords] = useState('');
  const finder = useMemo(() => finderOf(items, by), [items, by]);
  const searching = words.trim() !== '';
  const found = searching ? finder(words) : items.filter(atFirst);
  const groups = searching || !groupOf ? [''] : [...new Set(found.map(groupOf))];
  const line = (item: T) => (
    <Command.Item
      key={keyOf(item)}
      value={keyOf(item)}
      onSelect={() => onTake(item)}
      className="flex justify-between gap-4 px-2 py-1 cursor-pointer data-[selected=true]:bg-pick data-[selected=true]:text-on-pick"
    >
      {show(item)}
    </Command.Item>
  );
  return (
    <Command label={label} loop shouldFilter={false}>
      <Command.Input
        data-first
        placeholder={placeholder}
        value={words}
        onValueChange={setWords}
        className="w-full h-9 px-2 mb-2 border-b-2 border-measure bg-transparent outline-none text-sentence"
      />
      <Command.List className="max-h-[54vh] overflow-auto">
        <Command.Empty className="py-2 text-ink2">{none}</Command.Empty>
        {groups.map((group) =>
          group === '' ? (
            found.map(line)
          ) : (
            <Command.Group key={group} heading={group} className={HEADING}>
              {found.filter((item) => groupOf?.(item) === group).map(line)}
            </Command.Group>
          ),
        )}
      </Command.List>
    </Command>
  );
}
