import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { build } from 'esbuild';
import { buildWhereNeeded, root } from './lib.mjs';

const common = {
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  logLevel: 'warning',
  absWorkingDir: root,
  sourcemap: true,
};

/** The server and what it starts: packages stay files of their own. */
const served = {
  ...common,
  outExtension: { '.js': '.mjs' },
  packages: 'external',
  alias: {
    '@jobbet/core': './core/src',
    '@jobbet/print': './print/src',
    '@jobbet/pictures': './pictures/src/pictures.ts',
  },
};

/** Builds programs of the project's own as what is served is built, so that what they time is what runs. @returns the files, in their order */
export async function buildAsServed(entryPoints, outdir) {
  await build({ ...served, entryPoints, outdir });
  return entryPoints.map((entry) => join(root, outdir, basename(entry).replace(/\.ts$/, '.mjs')));
}

const SQUEEZED = /\.(js|css|html|svg|json)$/;

/** Lays a squeezed copy beside each file that is served, so that none is squeezed again for each who asks. */
function squeeze(folder) {
  for (const entry of readdirSync(folder, { recursive: true, withFileTypes: true })) {
    if (!entry.isFile() || !SQUEEZED.test(entry.name)) continue;
    const path = join(entry.parentPath, entry.name);
    const bytes = readFileSync(path);
    writeFileSync(`${path}.br`, brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 8 } }));
    writeFileSync(`${path}.gz`, gzipSync(bytes, { level: 9 }));
  }
}

/** Builds the command line and the server (one bundle each) and the web app. */
export async function buildAll({ web = true } = {}) {
  await build({
    ...common,
    entryPoints: ['cli/src/bin.ts'],
    outfile: 'cli/dist/jobbet.mjs',
    external: ['pdfkit', 'sharp'],
  });
  // Its pieces are named by what is in them: those of older builds would stay for good.
  rmSync(join(root, 'server/dist'), { recursive: true, force: true });
  await build({
    ...served,
    entryPoints: {
      main: 'server/src/main.ts',
      keep: 'server/src/backup/keepBin.ts',
      solveWorker: 'server/src/solving/worker.ts',
      backupWorker: 'server/src/backup/worker.ts',
    },
    outdir: 'server/dist',
    // What is loaded when it is first asked for stays a file of its own.
    splitting: true,
  });
  if (!web) return;
  execFileSync(process.execPath, ['node_modules/vite/bin/vite.js', 'build', 'web', '--logLevel', 'warn'], {
    cwd: root,
    stdio: 'inherit',
  });
  squeeze(join(root, 'web/dist'));
}

if (process.argv[1] === new URL(import.meta.url).pathname) {
  if (process.argv.includes('--where-needed')) buildWhereNeeded();
  else await buildAll({ web: !process.argv.includes('--no-web') });
}
