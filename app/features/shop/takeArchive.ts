import type { Issue } from '@longbar/core';
import { ErrorSchema } from '@longbar/core';
import * as v from 'valibot';
import { request } from '../../api/request';

const CountsSchema = v.record(v.string(), v.number());

/** What the server said of an archive: what it holds, or what is wrong with it. */
export type Taken = {
  file: File;
  preview: boolean;
  answer: { ok: true; counts: Record<string, number> } | { ok: false; issues: Issue[] };
};

/** Shows the server an archive, or has it taken in. */
export async function sendArchive(file: File, preview: boolean): Promise<Taken> {
  const refused = (issues: Issue[]): Taken => ({ file, preview, answer: { ok: false, issues } });
  try {
    const { ok, body } = await request(`/archive?preview=${preview ? 1 : 0}`, {
      method: 'POST',
      headers: { 'content-type': 'application/x-ndjson' },
      body: file,
    });
    if (ok) {
      return { file, preview, answer: { ok: true, counts: v.parse(CountsSchema, body) } };
    }
    const { error } = v.parse(ErrorSchema, body);
    const issues = error.issues.length > 0 ? error.issues : [{ path: '', message: error.message }];
    return refused(issues);
  } catch {
    return refused([{ path: '', message: 'The server could not be reached.' }]);
  }
}
