import type { EngineSheet, Heard } from '@longbar/core';
import type { SoundPicture } from '@longbar/core/listen';
import { heardEngine, listen, soundPicture } from '@longbar/core/listen';
import { expose } from 'comlink';

const worker = {
  hear: (sound: Float32Array, sheet: EngineSheet): { heard: Heard; picture: SoundPicture } => {
    const listened = listen(sound, heardEngine(sheet));
    return { heard: listened.heard, picture: soundPicture(listened) };
  },
};
export type ListenWorker = typeof worker;

expose(worker);
