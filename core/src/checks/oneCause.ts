import { dependants } from '../edit/index.ts';
import type { FlyFile } from '../pattern/index.ts';
import { partName } from '../tying/index.ts';
import type { Finding } from './types.ts';

/** Checks that a part too long for its fly trips one after the other, the one that costs most first. */
const TOO_LONG = ['length.foul', 'length.nip', 'length.band'] as const;

const isTooLong = ({ code, figure, limit }: Finding): boolean =>
  (TOO_LONG as readonly string[]).includes(code) && (code !== 'length.band' || (figure ?? 0) > (limit ?? Infinity));

/** Parts whose length leans on another's, each with the one it leans on. */
function leaning(file: FlyFile): ReadonlyMap<string, string> {
  return new Map(
    file.parts.flatMap(({ id }) =>
      dependants(file, id)
        .filter(({ key }) => key === 'length' || key === 'tip')
        .map((each) => [each.part, id] as const),
    ),
  );
}

/** The part a length hangs on in the end. */
function rootOf(id: string, on: ReadonlyMap<string, string>): string {
  const seen = new Set<string>();
  let root = id;
  for (let next = on.get(root); next !== undefined && !seen.has(next); next = on.get(root)) {
    seen.add(root);
    root = next;
  }
  return root;
}

/** What else is to be said of a part after the first: of itself without its name again, of what leans on it by name alone. */
function othersIn({ parts: [part = ''] }: Finding, others: readonly Finding[]): string[] {
  const name = partName(part);
  const own = others.filter((each) => each.parts[0] === part);
  const leaning = new Set(others.flatMap((each) => (each.parts[0] === part ? [] : each.parts.map(partName))));
  return [
    ...own.map(({ message }) => message.replace(new RegExp(`^${name}(?: is|:) `), '')),
    ...(leaning.size === 0 ? [] : [`the ${[...leaning].join(' and the ')} with it`]),
  ];
}

/**
 * One finding for one cause: a part that is too long is told once, with all it costs and the parts that are as long by it, and mended once.
 * The gravest of them stands for all.
 */
export function oneCause(file: FlyFile, findings: readonly Finding[]): Finding[] {
  const on = leaning(file);
  const causeOf = (finding: Finding): string | null => {
    const [part] = finding.parts;
    return part !== undefined && isTooLong(finding) ? rootOf(part, on) : null;
  };
  const told = new Map<string, Finding[]>();
  for (const finding of findings) {
    const cause = causeOf(finding);
    if (cause !== null) told.set(cause, [...(told.get(cause) ?? []), finding]);
  }
  return findings.flatMap((finding): Finding[] => {
    const cause = causeOf(finding);
    const all = cause === null ? [] : (told.get(cause) ?? []);
    if (all.length < 2) return [finding];
    // Findings stand gravest first; of equally grave ones the part itself speaks before what leans on it.
    const first = all.find((each) => each.severity === all[0]?.severity && each.parts[0] === cause) ?? all[0];
    if (finding !== first) return [];
    const others = all.filter((each) => each !== first);
    return [
      {
        ...finding,
        message: [finding.message, ...othersIn(finding, others)].join('; '),
        parts: [...new Set(all.flatMap((each) => each.parts))],
        with: [...new Set(others.map((each) => each.code))].filter((code) => code !== finding.code),
        fix: finding.fix ?? others.find((each) => each.fix !== null)?.fix ?? null,
      },
    ];
  });
}
