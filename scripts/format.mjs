import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { format } from 'oxfmt';
import { root } from './lib.mjs';

/**
 * A text as the formatter would write it.
 * @param {string} file by whose name it is read @param {string} text
 * @returns {Promise<string>}
 * @throws where it does not read
 */
export async function formatted(file, text) {
  const { ignorePatterns, ...options } = JSON.parse(readFileSync(join(root, '.oxfmtrc.json'), 'utf8'));
  const { code, errors } = await format(file, text, options);
  const [error] = errors;
  if (error) throw new Error(`${file}: ${error.message}`);
  return code;
}
