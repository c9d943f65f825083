import type { EngineSheet, Heard } from '@longbar/core';
import { ignore, LONGEST_SECONDS, SOUND_RATE } from '@longbar/core';
import type { SoundPicture } from '@longbar/core/listen';
import { transfer, wrap } from 'comlink';
import type { ListenWorker } from './listen.worker';

/** What a clip of an engine tells, and its picture. */
export type HeardClip = { heard: Heard; picture: SoundPicture };

/**
 * Listens to the bytes of a sound file beside the thread that handles taps; of one that was recorded
 * here no sound may be lacking, as its cycles would not follow each other: it lasts `whole` seconds.
 * Throws with words for a person where the browser cannot read it or some is lost; `signal` ends it.
 */
export async function hearClip(
  bytes: ArrayBuffer,
  sheet: EngineSheet,
  signal: AbortSignal,
  whole = 0,
): Promise<HeardClip> {
  const sound = await samplesOf(bytes);
  signal.throwIfAborted();
  if (sound.length < whole * SOUND_RATE) {
    throw new Error('Some of the sound was lost: this phone had too much to do. Record it again.');
  }
  const worker = new Worker(new URL('./listen.worker', import.meta.url));
  const end = () => worker.terminate();
  signal.addEventListener('abort', end);
  try {
    return await Promise.race([
      wrap<ListenWorker>(worker).hear(transfer(sound, [sound.buffer]), sheet),
      ended(signal),
    ]);
  } finally {
    signal.removeEventListener('abort', end);
    worker.terminate();
  }
}

/** Never comes to anything but the end: a worker that was ended answers no more. */
function ended(signal: AbortSignal): Promise<never> {
  return new Promise((_, fail) =>
    signal.addEventListener('abort', () => fail(new Error('It was cancelled.')), { once: true }),
  );
}

/** The samples of a sound file as listening wants them: one microphone, at its rate. */
async function samplesOf(bytes: ArrayBuffer): Promise<Float32Array> {
  const context = new OfflineAudioContext(1, 1, SOUND_RATE);
  // A copy: the browser empties what it decodes.
  const decoded = await context
    .decodeAudioData(bytes.slice(0))
    .catch(ignore('what it cannot read it says by name only'));
  if (!decoded) throw new Error('This file holds no sound that the browser can read.');
  const channels = Array.from({ length: decoded.numberOfChannels }, (_, i) =>
    decoded.getChannelData(i),
  );
  const length = Math.min(decoded.length, LONGEST_SECONDS * SOUND_RATE);
  return Float32Array.from(
    { length },
    (_, i) => channels.reduce((sum, channel) => sum + (channel[i] ?? 0), 0) / channels.length,
  );
}
