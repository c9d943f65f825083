import type { Seal } from '../../wire/journal';

/**
 * What is said of the seal of a record, the same on the screen and in the PDF.
 *
 * @param seal - the hash it was signed with, and whether its events have it
 * @returns a sentence, grave where the seal is broken; undefined where no signature counts
 */
export function sealWords({ seal, holds }: Seal): { text: string; grave: boolean } | undefined {
  if (seal === null) return undefined;
  const text = holds
    ? 'Sealed: its events are those that were signed.'
    : 'The seal is broken: its events are not those that were signed. Ask who changed the data.';
  return { text: `${text} ${seal}`, grave: !holds };
}
