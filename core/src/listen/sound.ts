/** Sounds are listened to at this many samples a second: ticks lie below 10 kHz. */
export const SOUND_RATE = 24_000;

/** A clip is this long, seconds, and no shorter than the least that tells anything. */
export const CLIP_SECONDS = 10;
export const LEAST_SECONDS = 6;
/** Of a longer file so much is listened to, seconds. */
export const LONGEST_SECONDS = 30;

/** The samples of one microphone at SOUND_RATE, -1 to 1. */
export type Sound = Float32Array;
