import { createTransformer as swcTransformer } from '@swc/jest';

/**
 * Within Jest every look at a global goes through the sandbox that stands for the window, which makes reckoning with `Math` some times slower
 * than it is. Those that no test replaces are looked at once a file, and are the file's own from then on.
 */
const GLOBALS = [
  'Math',
  'Number',
  'Object',
  'Array',
  'Map',
  'Set',
  'WeakMap',
  'String',
  'JSON',
  'Infinity',
  'NaN',
  'Float64Array',
  'Float32Array',
  'Uint8Array',
  'Uint16Array',
  'Uint32Array',
  'Int32Array',
];

/**
 * Whether a file has a name of its own that is spelt alike.
 * @param {string} source @param {string} name
 */
const declares = (source, name) =>
  new RegExp(`\\b(?:const|let|var|class|function|import)\\s+(?:\\{[^}]*\\b)?${name}\\b|\\bas ${name}\\b`).test(source);

/**
 * What was made of a file, with the globals it names as its own.
 * @template {{ code: string }} T
 * @param {string} source @param {T} made
 * @returns {T}
 */
function withOwn(source, made) {
  const names = GLOBALS.filter((name) => new RegExp(`\\b${name}\\b`).test(source) && !declares(source, name));
  return names.length === 0 ? made : { ...made, code: `const {${names.join(',')}}=globalThis;${made.code}` };
}

/** @param {Parameters<typeof swcTransformer>[0]} options */
export function createTransformer(options) {
  const swc = swcTransformer(options);
  return {
    ...swc,
    /** @type {typeof swc.process} */
    process: (source, file, how) => withOwn(source, swc.process(source, file, how)),
    /** @type {NonNullable<typeof swc.processAsync>} */
    processAsync: async (source, file, how) => withOwn(source, await swc.processAsync(source, file, how)),
    /** @type {NonNullable<typeof swc.getCacheKey>} */
    getCacheKey: (source, file, how) => `${swc.getCacheKey?.(source, file, how) ?? ''}-own-2`,
  };
}

export default { createTransformer };
