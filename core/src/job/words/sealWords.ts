import type { Seal } from '../../wire/journal';
import { signatureWords } from '../seal/signature';

type Said = { text: string; grave: boolean };

/**
 * What is said of the seal of a record and of the signature over it, the same on the screen and in
 * the PDF.
 *
 * @param seal - the hash it was signed with, whether its events have it, who signed it, and whose
 * names were used on others' phones
 * @returns a sentence each, grave where the seal is broken or the signature does not fit; nothing
 * where no signature counts
 */
export function sealWords({ seal, holds, signature, hands }: Seal): Said[] {
  if (seal === null) return [];
  const text = holds
    ? 'Sealed: its events are those that were signed.'
    : 'The seal is broken: its events are not those that were signed. Ask who changed the data.';
  return [
    { text: `${text} ${seal}`, grave: !holds },
    signedWords(signature),
    ...hands.map(({ by, phone, entries }) => ({
      text: `${entries === 1 ? 'One entry' : `${entries} entries`} in ${by}’s name came from ${phone}’s phone.`,
      grave: false,
    })),
  ];
}

function signedWords(signature: Seal['signature']): Said {
  if (!signature) {
    return { text: 'No phone’s key has signed it, as of records before 0.9.', grave: false };
  }
  const { name } = signature.words;
  return signature.fits
    ? { text: signatureWords(signature), grave: false }
    : {
        text: `The signature in ${name}’s name does not fit this record. Ask who changed the data.`,
        grave: true,
      };
}
