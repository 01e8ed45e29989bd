import { execFileSync } from 'node:child_process';
import { build } from 'esbuild';
import { root } from './lib.mjs';

const common = {
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  logLevel: 'warning',
  absWorkingDir: root,
  sourcemap: true,
};

/** Builds the command line and the server (one bundle each) and the web app. */
export async function buildAll({ web = true } = {}) {
  await build({ ...common, entryPoints: ['cli/src/bin.ts'], outfile: 'cli/dist/jobbet.mjs', external: ['pdfkit'] });
  await build({
    ...common,
    entryPoints: {
      main: 'server/src/main.ts',
      keep: 'server/src/backup/keepBin.ts',
      solveWorker: 'server/src/solving/worker.ts',
      backupWorker: 'server/src/backup/worker.ts',
    },
    outdir: 'server/dist',
    outExtension: { '.js': '.mjs' },
    packages: 'external',
    alias: { '@jobbet/core': './core/src', '@jobbet/print': './print/src' },
  });
  if (web)
    execFileSync(process.execPath, ['node_modules/vite/bin/vite.js', 'build', 'web', '--logLevel', 'warn'], {
      cwd: root,
      stdio: 'inherit',
    });
}

if (process.argv[1] === new URL(import.meta.url).pathname) await buildAll({ web: !process.argv.includes('--no-web') });
