export { normalOf } from './chance.ts';
export { noise, seedOf } from './random.ts';
export { firstFall } from './roots.ts';
