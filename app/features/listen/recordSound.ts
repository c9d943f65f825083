import { CLIP_SECONDS } from '@longbar/core';

/**
 * Ten seconds from the microphone, as a file. What makes speech clear takes an engine's ticks away,
 * so none of it is asked for. Throws with words for a person; `signal` ends it without a file.
 */
export async function recordSound(signal: AbortSignal): Promise<File> {
  const stream = await microphone();
  try {
    signal.throwIfAborted();
    return await recorded(stream, signal);
  } finally {
    stream.getTracks().forEach((track) => track.stop());
  }
}

async function microphone(): Promise<MediaStream> {
  if (!canRecord()) {
    throw new Error(
      'No microphone can be reached: the browser gives one over HTTPS only. Take a sound file.',
    );
  }
  try {
    return await navigator.mediaDevices.getUserMedia({
      audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
    });
  } catch (error) {
    const why = error instanceof Error && error.name === 'NotAllowedError';
    throw new Error(
      why
        ? 'The microphone was not allowed: allow it for this page, or take a sound file.'
        : 'No microphone was found: take a sound file.',
      { cause: error },
    );
  }
}

/** Whether this browser gives a microphone at all; over plain HTTP it does not. */
function canRecord(): boolean {
  return typeof MediaRecorder !== 'undefined' && navigator.mediaDevices !== undefined;
}

function recorded(stream: MediaStream, signal: AbortSignal): Promise<File> {
  return new Promise((done, fail) => {
    const recorder = new MediaRecorder(stream, { audioBitsPerSecond: 128_000 });
    const parts: Blob[] = [];
    const stop = () => recorder.stop();
    const timer = setTimeout(stop, CLIP_SECONDS * 1000);
    signal.addEventListener('abort', stop, { once: true });
    recorder.ondataavailable = ({ data }) => parts.push(data);
    recorder.onerror = () => fail(new Error('The recording broke off: record again.'));
    recorder.onstop = () => {
      clearTimeout(timer);
      signal.removeEventListener('abort', stop);
      // Without its parameters: the server keeps a clip by its plain type.
      const type = recorder.mimeType.split(';')[0] ?? 'audio/webm';
      if (signal.aborted) fail(new Error('It was cancelled.'));
      else done(new File(parts, 'noise', { type }));
    };
    recorder.start();
  });
}
