export {
  aspectBy,
  type AspectFound,
  type AspectMarks,
  type AspectTold,
  type AspectView,
  findAspect,
} from './aspect.ts';
export { findFly, type Landmark, type PhotoFound, type PhotoHints, type Spot } from './find.ts';
export { type LengthFound } from './lengths.ts';
export { beyondOutline, lengthsBy, shapesBy } from './outline.ts';
export { type Picture } from './picture.ts';
export { type Pose, toFly, toPixel } from './pose.ts';
export { type PhotoReport, reportPhoto } from './report.ts';
export { type Marks, poseBy, type Silhouette, silhouetteOf } from './silhouette.ts';
