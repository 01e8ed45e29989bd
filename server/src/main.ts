import { VERSION } from '@jobbet/core/base';
import { buildApp } from './app.ts';
import { listenProblem, readConfig } from './config.ts';
import { StartError } from './errors.ts';
import { furnish, openHouse } from './house.ts';
import { solverPool } from './solving/solvers.ts';

const GRACE_MS = 2000;

async function main(): Promise<void> {
  const config = readConfig(process.env, process.argv.slice(2));
  const { folder, port, host, hosts, proxies, logLevel, phrase } = config;
  const house = await openHouse(folder, { solvers: solverPool(), phrase });
  let address: string;
  const app = await buildApp({ house, version: VERSION, hosts, proxies, logLevel });
  try {
    await furnish(house, config.seed);
    address = await app.listen({ port, host });
  } catch (error) {
    await app.close();
    await house.close();
    throw listenProblem((error as { code?: string }).code, config) ?? error;
  }
  house.database.lock.tellPort(Number(new URL(address).port || 80));
  let closing = false;
  const stop = (): void => {
    if (closing) return;
    closing = true;
    // What is under way may finish; a connection that stays open without asking anything may not hold us up.
    setTimeout(() => {
      app.server.closeAllConnections();
    }, GRACE_MS).unref();
    void app
      .close()
      .then(() => house.close())
      .then(() => {
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
