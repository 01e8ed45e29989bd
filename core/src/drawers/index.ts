export { COLUMNS, type Column, hasColumn } from './columns.ts';
export { DRAWERS_FORMAT, EMPTY_DRAWERS, readDrawers, readItem, writeDrawers } from './file.ts';
export { named } from './find.ts';
export { inShort, plainly, shortLeader } from './plain.ts';
export {
  FIBRE_SHARE,
  type Goods,
  type Piece,
  type Yield,
  fliesOf,
  isFibre,
  lengthsOf,
  piecesOf,
  readYield,
} from './stock.ts';
export { mixedOf, mixFaults, withMixes } from './mixes.ts';
export { type Move, type Taking, giveBack, takeFrom } from './taking.ts';
export {
  DRAWERS,
  type FloatItem,
  LEADER_DENSITY,
  type LeaderItem,
  LINE_FORMS,
  type LineItem,
  type DrawerItem,
  type DrawerItems,
  type DrawerName,
  type HookItem,
  type LimitItem,
  type Lot,
  type MaterialItem,
  type Mixed,
  type RulesItem,
  type SchoolItem,
  type ThreadItem,
  type WeightItem,
  drawersIn,
  kindOf,
} from './items.ts';
export { type ReadRow, type ReadRows, drawerOfHead, headOf, readRows, withCell, writeCell, writeRows } from './rows.ts';
export {
  type Drawers,
  NOMINAL_DRAWERS,
  NOMINAL_MATERIALS,
  NOMINAL_SCHOOLS,
  NOMINAL_THREADS,
  drawersOf,
} from './tables.ts';
