import { chance, type Target } from './server.ts';

interface Stored {
  readonly id: string;
  readonly revision: number;
  readonly file: { readonly name: string; readonly notes?: string };
}
interface Listed {
  readonly id: string;
  readonly name: string;
}

const json = async (url: string, method = 'GET', body?: unknown): Promise<{ status: number; body: unknown }> => {
  const response = await fetch(url, {
    method,
    ...(body === undefined ? {} : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
  });
  return { status: response.status, body: (await response.json()) as unknown };
};

async function firstFly(target: Target): Promise<Stored> {
  const { body } = await json(`${target.url}/api/flies`);
  const [first] = body as Listed[];
  return (await json(`${target.url}/api/flies/${first?.id ?? ''}`)).body as Stored;
}

export interface SavesOutcome {
  readonly acknowledged: number;
  readonly rounds: number;
  readonly wrong: readonly string[];
}

/** Saves without pause, cuts the power in the midst of it, starts again and looks whether all that was acknowledged is there. */
export async function killRuns(target: Target, rounds: number, seed: number): Promise<SavesOutcome> {
  const random = chance(seed);
  const wrong: string[] = [];
  let acknowledged = 0;
  for (let round = 0; round < rounds; round++) {
    if (!target.isAlive) await target.start();
    let fly = await firstFly(target);
    const seen: string[] = [];
    const killed = new Promise<void>((resolve) => {
      setTimeout(() => void target.kill().then(resolve), 600 + random() * 1500);
    });
    for (let n = 0; target.isAlive; n++) {
      const notes = `round ${String(round)}, save ${String(n)}`;
      try {
        const { status, body } = await json(`${target.url}/api/flies/${fly.id}`, 'PUT', {
          file: { ...fly.file, notes },
          revision: fly.revision,
          kind: 'saved',
        });
        if (status !== 200) break;
        fly = body as Stored;
        seen.push(notes);
      } catch {
        break;
      }
    }
    await killed;
    acknowledged += seen.length;
    await target.start();
    const { body } = await json(`${target.url}/api/flies/${fly.id}/versions`);
    const kept = new Set((body as { file: { notes?: string } }[]).map((each) => each.file.notes));
    const lost = seen.filter((notes) => !kept.has(notes));
    if (lost.length > 0)
      wrong.push(
        `round ${String(round)}: ${String(lost.length)} of ${String(seen.length)} acknowledged saves are lost`,
      );
  }
  return { acknowledged, rounds, wrong };
}

/** Two windows save one fly without pause, each from what it has; whoever comes second is told, and no acknowledged save is lost. */
export async function twoTabs(target: Target, saves: number): Promise<SavesOutcome> {
  const fly = await firstFly(target);
  const url = `${target.url}/api/flies/${fly.id}`;
  const acknowledged: string[] = [];
  const wrong: string[] = [];
  const tab = async (name: string): Promise<void> => {
    let { revision } = (await json(url)).body as Stored;
    for (let n = 0; n < saves; n++) {
      const notes = `${name} ${String(n)}`;
      const { status, body } = await json(url, 'PUT', { file: { ...fly.file, notes }, revision, kind: 'saved' });
      if (status === 200) {
        acknowledged.push(notes);
        ({ revision } = body as Stored);
      } else if (status === 409) revision = (body as { error: { revision?: number } }).error.revision ?? revision;
      else wrong.push(`${notes} was answered with ${String(status)}`);
    }
  };
  await Promise.all([tab('one'), tab('other')]);
  const kept = (await json(`${url}/versions`)).body as { revision: number; file: { notes?: string } }[];
  const notes = new Set(kept.map((each) => each.file.notes));
  const lost = acknowledged.filter((each) => !notes.has(each));
  if (lost.length > 0) wrong.push(`${String(lost.length)} acknowledged saves of two windows are lost`);
  if (new Set(kept.map((each) => each.revision)).size !== kept.length) wrong.push('two versions bear one revision');
  return { acknowledged: acknowledged.length, rounds: 2, wrong };
}
