export { type Construction, type Part, type PartOf, ROLES } from './parts.ts';
export { FLY_KIND, readFly, readFlyValue } from './read.ts';
export { type Pulled, nudgeMm, pullRelation, pulledNumber, renameIn } from './relations/adjust.ts';
export { type LengthRelation, type PositionRelation, type Relation } from './relations/ast.ts';
export { parseLength, parsePosition } from './relations/parse.ts';
export { solveMeasures } from './relations/solve.ts';
export {
  type MeasureFrame,
  type MeasureResult,
  type MeasuredPart,
  type PartExtent,
  type Reading,
} from './relations/types.ts';
export { HEADS, WATER_KINDS, hookWords, intentWords, partWords } from './words.ts';
export { type FlyFile, type HookFile, type HookKeys, type Intent, type PlatformFile } from './schema.ts';
export { loose } from './relations/loose.ts';
