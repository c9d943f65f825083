import type { BaseIssue } from 'valibot';
import { getDotPath } from 'valibot';

/** One thing wrong with what came in: where (a dotted path) and what would be right. */
export type Issue = { path: string; message: string };

/** Schema issues as paths and messages. Of a union that failed, its own message is kept. */
export function issuesOf(issues: readonly BaseIssue<unknown>[]): Issue[] {
  return issues.map((issue) => ({ path: getDotPath(issue) ?? '', message: issue.message }));
}
