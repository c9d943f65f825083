import type { Malformed } from '@longbar/core';
import { ErrorSchema, malformed } from '@longbar/core';
import * as v from 'valibot';
import { request } from '../../api/request';

const CountsSchema = v.record(v.string(), v.number());

/** What the server said of an archive: what it holds, or what is wrong with it. */
export type Taken = {
  file: File;
  preview: boolean;
  answer: { counts: Record<string, number> } | Malformed;
};

/** Shows the server an archive, or has it taken in. */
export async function sendArchive(file: File, preview: boolean): Promise<Taken> {
  const refused = (answer: Malformed): Taken => ({ file, preview, answer });
  try {
    const { ok, body } = await request(`/archive?preview=${preview ? 1 : 0}`, {
      method: 'POST',
      headers: { 'content-type': 'application/x-ndjson' },
      body: file,
    });
    if (ok) {
      return { file, preview, answer: { counts: v.parse(CountsSchema, body) } };
    }
    const { error } = v.parse(ErrorSchema, body);
    const issues = error.issues.length > 0 ? error.issues : [{ path: '', message: error.message }];
    return refused(malformed(issues));
  } catch {
    const answer = malformed([{ path: '', message: 'The server could not be reached.' }]);
    return refused({ ...answer, refused: 'no-answer' });
  }
}
