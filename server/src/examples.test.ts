import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as core from '@longbar/core';
import * as listening from '@longbar/core/listen';
import { inlineSix } from '../../core/test-support/engines';
import { setting } from '../../core/test-support/journal';

/** Where core lies: it knows no files itself, so that its examples are read here. */
const CORE = join(__dirname, '../../core/src');

/** What an example may name: all of core, an in-line six, a job begun on one, and how one sounds. */
const six = inlineSix();
const sound = listening.madeUpSound(six, { speed: 640, engine: 1, clip: 1 });
const SCOPE: Record<string, unknown> = { ...core, ...listening, six, begun: setting, sound };

type Example = { file: string; code: string; gives: string };

/** Every `@example code // value` of the sources, on one line or with the value on the next. */
function examples(): Example[] {
  return sources().flatMap(([file, source]) => {
    const found = source.matchAll(/\* @example (.+?)(?:\n \*)? +\/\/ (.+)/g);
    return [...found].map(([, code = '', gives = '']) => ({ file, code, gives }));
  });
}

function sources(): [file: string, source: string][] {
  return readdirSync(CORE, { recursive: true })
    .map(String)
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
    .map((file) => [file, readFileSync(join(CORE, file), 'utf8')]);
}

function valueOf(code: string): unknown {
  const names = Object.keys(SCOPE);
  // oxlint-disable-next-line typescript/no-implied-eval
  return new Function(...names, `return (${code});`)(...names.map((name) => SCOPE[name]));
}

describe('the examples in the docs of core', () => {
  it('are there, and none is left unread', () => {
    const all = sources().map(([, source]) => source.split('@example').length - 1);
    const written = all.reduce((sum, count) => sum + count, 0);
    expect(examples()).toHaveLength(written);
    expect(written).toBeGreaterThanOrEqual(30);
  });

  it.each(examples())('$file: $code', ({ code, gives }) => {
    expect(valueOf(code)).toEqual(valueOf(gives));
  });
});
