// What listening computes. It is an entry of its own: a phone loads it when somebody listens.
export { compareHeard } from './compareHeard';
export type { Compared } from './compareHeard';
export type { HowMany } from './heard';
export { heardEngine } from './heardEngine';
export type { HeardEngine } from './heardEngine';
export { listen } from './listen';
export type { Listened } from './listen';
export { madeUpSound } from './madeUpSound';
export type { MadeUp } from './madeUpSound';
export { soundPicture } from './soundPicture';
export type { SoundPicture } from './soundPicture';
export { SOUND_RATE } from './sound';
export type { Sound } from './sound';
