import { folderOf, keep } from './keep.ts';

process.exitCode = await keep(process.argv.slice(2), folderOf(process.env), {
  out: (text) => {
    process.stdout.write(text);
  },
  err: (text) => {
    process.stderr.write(text);
  },
});
