import { VERSION } from '@jobbet/core';
import { buildApp } from './app.ts';
import { listenProblem, readConfig } from './config.ts';
import { openDatabase, StartError } from './db/open.ts';
import { DrawerStore } from './drawers.ts';
import { fillDrawersOnce, fillJudgementsOnce, seedOnce } from './examples.ts';
import { refreshSummaries } from './refresh.ts';
import { markRunning } from './running.ts';
import { FlyStore } from './store.ts';

const GRACE_MS = 2000;

async function main(): Promise<void> {
  const config = readConfig(process.env, process.argv.slice(2));
  const { folder, port, host, hosts, logLevel } = config;
  const database = await openDatabase(folder);
  const { db } = database;
  const drawers = new DrawerStore(db);
  const store = new FlyStore(db, Date.now, () => drawers.drawers());
  await fillDrawersOnce(db, drawers, config.seed);
  await fillJudgementsOnce(db, drawers, config.seed);
  await refreshSummaries(db, await drawers.drawers());
  if (config.seed) await seedOnce(db, store);
  const app = await buildApp({ store, drawers, db, folder, version: VERSION, hosts, logLevel });
  let address: string;
  try {
    address = await app.listen({ port, host });
  } catch (error) {
    database.close();
    throw listenProblem((error as { code?: string }).code, config) ?? error;
  }
  const unmark = markRunning(folder, Number(new URL(address).port || 80));
  let closing = false;
  const stop = (): void => {
    if (closing) return;
    closing = true;
    // What is under way may finish; a connection that stays open without asking anything may not hold us up.
    setTimeout(() => {
      app.server.closeAllConnections();
    }, GRACE_MS).unref();
    void app.close().then(() => {
      database.close();
      unmark();
      process.exit(0);
    });
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
  process.stdout.write(`Jobbet is at ${address}   (data in ${folder})\n`);
}

main().catch((error: unknown) => {
  const words = error instanceof StartError ? error.message : error instanceof Error ? error.stack : String(error);
  process.stderr.write(`${words ?? ''}\n`);
  process.exit(1);
});
