import useSWR from 'swr';
import { api, type BrokenRow } from '../../shared/api/client.ts';
import { slug } from '../../shared/ui/saveFile.ts';
import { saveFile } from '../../shared/ui/saveFile.ts';

/** What is kept and no longer reads or lays out, with the way to what is kept of it. */
export function BrokenRows() {
  const { data } = useSWR<BrokenRow[]>('broken', api.broken);
  if (!data || data.length === 0) return null;
  return (
    <section aria-label="No longer reads" className="py-3 border-t border-hair">
      <h2 className="text-part font-bold mb-1">No longer reads or lays out</h2>
      <p className="mb-2">It is kept as it is. Save it, mend it in any editor of text, and take it in again.</p>
      <ul>
        {data.map(({ what, name, why, text }) => (
          <li key={`${what} ${name} ${text}`} className="flex items-baseline gap-4 border-b border-hair py-1.5">
            <span className="flex-1 min-w-0">
              <b>{name}</b> <span className="text-ink2">{what}</span>
              <span className="block text-warn">{why}</span>
            </span>
            <button type="button" className="sheet-button" onClick={() => saveFile(`${slug(name)}.json`, text)}>
              Save it
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
