import { BUNDLES, FEATHERS, HACKLES, SHEETS, SPUN, STRIPS, WOUND } from '../src/data/index.ts';
import { SOLIDS } from '../src/data/solids.ts';
import { COATS, DOSES } from '../src/data/tying.ts';
import { tablesOf, told, type Rows } from './page.ts';

const tables = tablesOf('model.md');

/** Which figures of the code each table tells, column by column. */
const TABLES: readonly (readonly [head: string, rows: Rows])[] = [
  ['solid, density', SOLIDS.map((each) => told(each.name, each.density))],
  [
    'material, packing, taper, fibre mm, softness, spread V, spread H, water, density, clump',
    BUNDLES.map((each) =>
      told(
        each.name,
        each.packing,
        each.taper,
        each.fibreMm,
        each.softness,
        each.spreadV,
        each.spreadH,
        each.water,
        each.density,
        each.clump ?? 0.25,
      ),
    ),
  ],
  [
    'material, solid, density, opacity, water, softness, breadth mm, thick mm, core mm, g/m',
    WOUND.map((each) =>
      told(
        each.name,
        each.solid,
        each.density,
        each.opacity,
        each.water,
        each.softness,
        ...[each.flatMm, each.thickMm, each.coreMm, each.gPerM].map((figure) => figure ?? ''),
      ),
    ),
  ],
  [
    'material, hide mm, pile mg/mm², hair mm, width mm, softness',
    STRIPS.map((each) => told(each.name, each.hideMm, each.pileMgMm2, each.hairMm, each.widthMm, each.softness)),
  ],
  [
    'material, fibres a turn, fibre mm, softness, clump',
    HACKLES.map((each) => told(each.name, each.fibresPerTurn, each.fibreMm, each.softness, each.clump ?? 1)),
  ],
  [
    'material, thickness mm, packing, density, width mm, opacity, softness, water',
    FEATHERS.map((each) =>
      told(
        each.name,
        each.thicknessMm,
        each.packing,
        each.density,
        each.widthMm,
        each.opacity,
        each.softness,
        each.water,
      ),
    ),
  ],
  [
    'material, packed tight, packed loose, density, fibre mm, opacity, softness, water',
    SPUN.map((each) =>
      told(
        each.name,
        each.packingTight,
        each.packingLoose,
        each.density,
        each.fibreMm,
        each.opacity,
        each.softness,
        each.water,
      ),
    ),
  ],
  [
    'material, thickness mm, density, opacity, softness, water',
    SHEETS.map((each) => told(each.name, each.thicknessMm, each.density, each.opacity, each.softness, each.water)),
  ],
  [
    'coat, thickness mm, density',
    Object.entries(COATS).map(([name, each]) => told(name, each.thicknessMm, each.density)),
  ],
  ['dose, pinch mm', Object.entries(DOSES).map(([name, each]) => told(name, each.pinchMm))],
];

test.each(TABLES)('the page of the model tells the figures of the code: %s', (head, rows) => {
  expect(tables.get(head)).toEqual(rows);
});
test('it has no other table of figures', () => {
  expect([...tables.keys()].filter((head) => !head.startsWith('Said')).sort()).toEqual(
    TABLES.map(([head]) => head).sort(),
  );
});
