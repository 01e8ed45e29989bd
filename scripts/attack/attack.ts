import { fuzz } from './fuzz.ts';
import { killRuns, twoTabs } from './saves.ts';
import { Target } from './server.ts';

/** `--short` for the check; `--seed N` to find again what was found. */
const short = process.argv.includes('--short');
const at = process.argv.indexOf('--seed');
const seed = at >= 0 ? Number(process.argv[at + 1]) : 1;

const target = new Target();
const wrong: string[] = [];
try {
  await target.start();
  const sent = await fuzz(target, short ? 700 : 10_000, seed);
  wrong.push(...sent.wrong);
  const answers = Object.entries(sent.byStatus)
    .sort(([a], [b]) => Number(a) - Number(b))
    .map(([status, n]) => `${String(n)} × ${status}`)
    .join(', ');
  console.log(
    `${String(sent.requests)} requests: ${answers}; slowest ${sent.slowestMs.toFixed(0)} ms; memory ${sent.memoryMb.map((mb) => mb.toFixed(0)).join(', ')} MB`,
  );
  const tabs = await twoTabs(target, short ? 40 : 300);
  wrong.push(...tabs.wrong);
  console.log(
    `two windows: ${String(tabs.acknowledged)} saves acknowledged, ${tabs.wrong.length === 0 ? 'none lost' : 'some LOST'}`,
  );
  const kills = await killRuns(target, short ? 2 : 20, seed);
  wrong.push(...kills.wrong);
  console.log(
    `${String(kills.rounds)} cuts of the power: ${String(kills.acknowledged)} saves acknowledged, ${kills.wrong.length === 0 ? 'none lost' : 'some LOST'}`,
  );
} finally {
  await target.close();
}
for (const each of wrong.slice(0, 40)) console.error(each);
if (wrong.length > 0) {
  console.error(`${String(wrong.length)} things were wrong`);
  process.exit(1);
}
