import { ownFly, rowFly } from '@jobbet/core/batch';
import type { Fault } from '@jobbet/core/base';
import type { Drawers } from '@jobbet/core/drawers';
import type { FlyFile } from '@jobbet/core/pattern';
import type { BatchRow } from '@jobbet/core/records';
import { useDeferredValue, useMemo } from 'react';
import { FlyThumb } from '../../shared/drawing/FlyThumb.tsx';

const SIZE = { width: 438, height: 150 } as const;

/** A fault of what is asked, by the part and what of it. */
const placedWords = ({ path, message }: Fault): string =>
  `${path.replace(/^shade\.?/, '').replaceAll('.', ' ')} ${message}.`.trim();

interface ShadePreviewProps {
  readonly file: FlyFile;
  /** The row as it would be kept. */
  readonly row: BatchRow;
  readonly drawers: Drawers;
}

/** The same value for as long as it says the same. */
function useHeld<T>(value: T): T {
  const said = JSON.stringify(value);
  // oxlint-disable-next-line react/exhaustive-deps
  return useMemo(() => value, [said]);
}

/** The fly of a row drawn as it would be tied, and what of its ride, sink and checks is then otherwise. */
export function ShadePreview({ file, row, drawers }: ShadePreviewProps) {
  const { shade: asked, ...rest } = row;
  const plain = useHeld(rest);
  const by = useDeferredValue(useHeld(asked));
  const own = useMemo(() => ownFly(file, drawers), [file, drawers]);
  const made = useMemo(() => {
    if (!own.ok) return null;
    const without = rowFly(plain, own.value, drawers);
    return without.ok
      ? { without: without.value, as: rowFly(by ? { ...plain, shade: by } : plain, own.value, drawers) }
      : null;
  }, [own, plain, by, drawers]);
  if (!made) return null;
  const { without, as } = made;
  const { laid } = (as.ok ? as.value : without).solved;
  const said = as.ok ? as.value.warnings.filter((words) => !without.warnings.includes(words)) : [];
  return (
    <figure className="mb-2" aria-label={as.ok ? `drawn: ${as.value.name}` : 'drawn as the fly has it'}>
      <FlyThumb laid={laid} {...SIZE} />
      <figcaption className="text-label text-ink2 min-h-9" aria-live="polite">
        {as.ok
          ? said.length === 0
            ? 'It rides and sinks as without it, and the checks say nothing new.'
            : said.join('; ')
          : as.faults.map(placedWords).join(' ')}
      </figcaption>
    </figure>
  );
}
