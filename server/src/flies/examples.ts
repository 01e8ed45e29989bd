import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { faultLine } from '@jobbet/core/base';
import { readFly, type FlyFile } from '@jobbet/core/pattern';
import { NOMINAL_LIMITS } from '@jobbet/core/checks';
import {
  EMPTY_DRAWERS,
  readDrawers,
  type DrawerItems,
  NOMINAL_MATERIALS,
  NOMINAL_SCHOOLS,
  NOMINAL_THREADS,
} from '@jobbet/core/drawers';
import { eq } from 'drizzle-orm';
import type { Ledger } from '../db/ledger.ts';
import { facts } from '../db/rows.ts';
import type { DrawerStore } from '../drawers/store.ts';
import type { FlyStore } from './store.ts';

/** From the sources, and from the bundle. */
const FOLDERS = ['../../../examples', '../../examples'].map((path) => join(import.meta.dirname, path));
export const EXAMPLES = FOLDERS.find(existsSync) ?? '';

/** The flies of the made-up boathouse, as pattern files. */
export function exampleFlies(): FlyFile[] {
  if (EXAMPLES === '') return [];
  return readdirSync(EXAMPLES)
    .filter((name) => name.endsWith('.fly.json'))
    .sort()
    .map((name) => {
      const read = readFly(readFileSync(join(EXAMPLES, name), 'utf8'));
      if (!read.ok) throw new Error(`${name}: ${read.faults.map(faultLine).join('; ')}`);
      return read.value;
    });
}

/** Adds the examples whose names the box does not hold. */
export async function addExamples(store: FlyStore): Promise<number> {
  const names = new Set((await store.list()).map((fly) => fly.name));
  const wanted = exampleFlies().filter((file) => !names.has(file.name));
  for (const file of wanted) await store.create(file);
  return wanted.length;
}

/** The boathouse's drawers, as an export of them. */
function exampleDrawers(): DrawerItems {
  const read = readDrawers(JSON.parse(readFileSync(join(EXAMPLES, 'drawers.json'), 'utf8')));
  if (!read.ok) throw new Error(`drawers.json: ${read.faults.map(faultLine).join('; ')}`);
  return read.value;
}

/**
 * Fills the drawers of a database that never had any: with the nominal materials and threads, or with the boathouse's own where the demo
 * is asked for. Drawers emptied on purpose stay empty.
 */
export async function fillDrawersOnce(ledger: Ledger, drawers: DrawerStore, demo: boolean): Promise<void> {
  const [filled] = await ledger.db.select().from(facts).where(eq(facts.key, 'drawers'));
  if (filled) return;
  await drawers.layIn(demo ? exampleDrawers() : { materials: NOMINAL_MATERIALS, threads: NOMINAL_THREADS });
  await ledger.write([ledger.db.insert(facts).values({ key: 'drawers', value: new Date().toISOString() })]);
}

/**
 * Lays schools and limits into a database that never had them, and with the demo two made-up waters' rules. One emptied on purpose stays empty.
 */
export async function fillJudgementsOnce(ledger: Ledger, drawers: DrawerStore, demo: boolean): Promise<void> {
  const [filled] = await ledger.db.select().from(facts).where(eq(facts.key, 'judgements'));
  if (filled) return;
  const { rules } = demo ? exampleDrawers() : EMPTY_DRAWERS;
  await drawers.layIn({ schools: NOMINAL_SCHOOLS, limits: NOMINAL_LIMITS, rules });
  await ledger.write([ledger.db.insert(facts).values({ key: 'judgements', value: new Date().toISOString() })]);
}

/** Lays the examples into a database that never had them; a box emptied on purpose stays empty. */
export async function seedOnce(ledger: Ledger, store: FlyStore): Promise<boolean> {
  const [seeded] = await ledger.db.select().from(facts).where(eq(facts.key, 'seeded'));
  if (seeded) return false;
  await addExamples(store);
  await ledger.write([ledger.db.insert(facts).values({ key: 'seeded', value: new Date().toISOString() })]);
  return true;
}
