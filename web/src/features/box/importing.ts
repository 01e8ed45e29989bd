import { bad, faultLine } from '@jobbet/core/base';
import { sizeFault } from '@jobbet/core/document';
import { readFly, type FlyFile } from '@jobbet/core/pattern';
import { solveFly } from '@jobbet/core/model';
import { drawerOfHead, NOMINAL_DRAWERS, type Drawers } from '@jobbet/core/drawers';
import Papa from 'papaparse';
import type { ListedFly } from '../../shared/api/client.ts';

/** A file whose name is taken: by a fly in the box, or by another file of the same handful, where `stored` is null. */
export interface Known {
  readonly file: FlyFile;
  readonly stored: ListedFly | null;
}

/** Pattern files on their way in: sound ones, ones whose name is taken, and refused ones with why. */
export interface Incoming {
  readonly fresh: readonly FlyFile[];
  readonly known: readonly Known[];
  readonly refused: readonly { readonly name: string; readonly reasons: readonly string[] }[];
}

/** What of a file is enough to tell what it is. */
const HEAD_CHARS = 20_000;

/** What a file is that is no pattern file, and where it belongs; null where that cannot be told. */
function otherKind(text: string): string | null {
  const format = /"format"\s*:\s*"jobbet\.(\w+)"/.exec(text)?.[1];
  if (format === 'drawers')
    return 'this is an export of the drawers, not a pattern file: npx jobbet takes it by --drawers';
  if (text.startsWith('\u001f') || text.startsWith('PK'))
    return 'this is packed, as a backup is: Settings, restore from a backup';
  const drawer = drawerOfHead(Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { preview: 1 }).data[0] ?? []);
  return drawer && `this is a table of ${drawer}, not a pattern file: Drawers, ${drawer}, import`;
}

/** Reads files without changing anything in the box. @param drawers what a file must solve with */
export async function importFiles(
  files: readonly File[],
  box: readonly ListedFly[],
  drawers: Drawers = NOMINAL_DRAWERS,
): Promise<Incoming> {
  const fresh: FlyFile[] = [];
  const known: Known[] = [];
  const refused: { name: string; reasons: string[] }[] = [];
  for (const each of files) {
    const large = sizeFault(each.size);
    const text = large ? '' : await each.text();
    const read = large ? bad(large) : readFly(text);
    const solved = read.ok ? solveFly(read.value, drawers) : read;
    if (!read.ok || !solved.ok) {
      const other = otherKind(text.slice(0, HEAD_CHARS));
      refused.push({ name: each.name, reasons: other ? [other] : (solved.ok ? [] : solved.faults).map(faultLine) });
      continue;
    }
    const file = read.value;
    const stored = box.find((fly) => fly.name === file.name) ?? null;
    if (stored || fresh.some((fly) => fly.name === file.name)) known.push({ file, stored });
    else fresh.push(file);
  }
  return { fresh, known, refused };
}
