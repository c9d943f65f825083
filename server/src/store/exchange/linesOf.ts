import { createReadStream } from 'node:fs';
import { RequestError } from '../../requestError';

/** The longest line of an archive, characters: a photo or clip of 25 MB as base64. */
const LONGEST = 36_000_000;

/** The lines of a file one by one, without their ends. Throws RequestError 400 on an endless one. */
export async function* linesOf(file: string): AsyncGenerator<string> {
  let parts: string[] = [];
  let held = 0;
  for await (const chunk of createReadStream(file, { encoding: 'utf8' })) {
    const text = String(chunk);
    let from = 0;
    for (let end = text.indexOf('\n'); end >= 0; end = text.indexOf('\n', from)) {
      yield parts.join('') + text.slice(from, end);
      parts = [];
      held = 0;
      from = end + 1;
    }
    const rest = text.slice(from);
    held += rest.length;
    if (held > LONGEST) throw new RequestError(400, 'Nothing was imported. A line is too long.');
    if (rest !== '') parts.push(rest);
  }
  if (held > 0) yield parts.join('');
}
