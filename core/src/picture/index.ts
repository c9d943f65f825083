// What is drawn of an engine, on the screen and on paper alike.
export type { HeadGeometry } from './headGeometry';
export { HEAD_TOP, headGeometry } from './headGeometry';
export type { RecordedHead } from './recordHead';
export { recordedLook } from './recordHead';
export type { Progress, RockerColours, RockerLook, Shape } from './rockerShapes';
export { ROCKER, rockerShapes } from './rockerShapes';
