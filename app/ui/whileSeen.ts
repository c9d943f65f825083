import { elementOf } from './domNode.web';

/**
 * Does `work` while a part of the page is in sight, and undoes it, as `work` answers, while it
 * is not. Answers what ends it.
 */
export function whileSeen(part: unknown, work: () => () => void): () => void {
  let stop: (() => void) | undefined;
  const end = () => {
    stop?.();
    stop = undefined;
  };
  // Tests have none: there, everything is taken to be seen.
  if (typeof IntersectionObserver === 'undefined') return work();
  const observer = new IntersectionObserver((entries) => {
    const seen = entries.at(-1)?.isIntersecting ?? false;
    if (seen) stop ??= work();
    else end();
  });
  observer.observe(elementOf(part));
  return () => {
    observer.disconnect();
    end();
  };
}
