import { ignore } from '@longbar/core';

/**
 * The installed application and its newer version. A job open on any screen of this phone
 * holds a lock; the newer version takes over when nobody holds it, and not before.
 */
const JOB_OPEN = 'longbar.job-open';
/** How often it is tried, and how often a newer version is looked for, ms. */
const TRY = 2000;
const LOOK = 30 * 60_000;

/** Keeps the version as it is until the answer is called: a job is on the screen. */
export function holdVersion(): () => void {
  let release: () => void = () => undefined;
  const held = new Promise<void>((resolve) => {
    release = resolve;
  });
  void navigator.locks?.request(JOB_OPEN, { mode: 'shared' }, () => held);
  return release;
}

/** Installs the application on the phone; says when a newer version waits. */
export async function keepApplication(onWaiting: () => void): Promise<void> {
  const { serviceWorker } = navigator;
  const updating = serviceWorker.controller !== null;
  serviceWorker.addEventListener('controllerchange', () => {
    if (updating) window.location.reload();
  });
  const registration = await serviceWorker.register('/sw.js');
  let trying: ReturnType<typeof setInterval> | undefined;
  const watch = () => {
    // The very first one takes over by itself: there is nothing older on the screen.
    if (!updating || !registration.waiting || trying !== undefined) return;
    onWaiting();
    trying = setInterval(() => void takeOver(registration), TRY);
  };
  watch();
  registration.addEventListener('updatefound', () => {
    registration.installing?.addEventListener('statechange', watch);
  });
  setInterval(
    () => void registration.update().catch(ignore('a new version is looked for again later')),
    LOOK,
  );
}

/** Lets the waiting version take over, unless a job is open anywhere on this phone. */
async function takeOver(registration: ServiceWorkerRegistration): Promise<void> {
  const options = { mode: 'exclusive', ifAvailable: true } as const;
  await navigator.locks.request(JOB_OPEN, options, (lock) => {
    if (lock) registration.waiting?.postMessage({ type: 'SKIP_WAITING' });
  });
}
