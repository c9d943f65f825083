import type { Attachment, EngineSheet, Heard } from '@longbar/core';
import { heardEngine, listen, madeUpSound, SOUND_RATE } from '@longbar/core/listen';
import wav from 'node-wav';
import { sha256 } from '../store/journal/blobs';

/** A clip as the server keeps it, and what listening tells of it. */
export type DemoNoise = { clip: Attachment & { body: Buffer }; heard: Heard };

type Sounding = { speed: number; gaps: Readonly<Record<string, number>>; clip: number };

/** What an engine of the works sounds like at idle with these gaps, µm: made up, and listened to. */
export function demoNoise(sheet: EngineSheet, { speed, gaps, clip }: Sounding): DemoNoise {
  const sound = madeUpSound(sheet, { speed, gaps, engine: 2, clip });
  const body = wav.encode([sound], { sampleRate: SOUND_RATE, float: false, bitDepth: 16 });
  return {
    clip: { sha256: sha256(body), type: 'audio/wav', body },
    heard: listen(sound, heardEngine(sheet)).heard,
  };
}
