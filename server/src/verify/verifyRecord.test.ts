import type { KeyObject } from 'node:crypto';
import { generateKeyPairSync, sign } from 'node:crypto';
import type { JobEvent, JobHead, RecordFile, Signature } from '@longbar/core';
import {
  canonical,
  RECORD_FORMAT,
  sealedText,
  signedText,
  signedWords,
  writeRecordFile,
} from '@longbar/core';
import { sha256 } from '../store/journal/blobs';
import { verifyRecord } from './verifyRecord';

const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const job: JobHead = {
  id: uuid(1),
  machine: uuid(2),
  method: 'each',
  sheetRevision: 3,
  at: '2026-05-02T08:00:00.000Z',
  by: 'Ina',
};
const event = (n: number, act: object): JobEvent =>
  ({
    id: uuid(100 + n),
    job: job.id,
    n,
    at: '2026-05-02T09:00:00.000Z',
    by: 'Ina',
    ...act,
  }) as JobEvent;
const EVENTS = [
  event(1, { type: 'why.noted', reason: 'interval' }),
  event(2, { type: 'hours.read', hours: 6612 }),
  event(3, { type: 'job.signed', name: 'Ina' }),
];

const hash = (text: string) => sha256(Buffer.from(text));

function newKey(): { key: string; secret: KeyObject } {
  const { publicKey, privateKey: secret } = generateKeyPairSync('ed25519');
  const { x = '' } = publicKey.export({ format: 'jwk' });
  return { key: Buffer.from(x, 'base64url').toString('hex'), secret };
}
const INAS = newKey();

function signatureOf(events: readonly JobEvent[], { key, secret } = INAS): Signature {
  const words = signedWords(job, {
    machine: 'Barge',
    seal: hash(sealedText(events) ?? ''),
    name: 'Ina',
    at: '2026-05-02T09:00:00.000Z',
  });
  return {
    words,
    key,
    signature: sign(null, Buffer.from(signedText(words)), secret).toString('hex'),
  };
}

/** The text of a record, its last line as it should be: only what is in it may be wrong. */
function written(change: Partial<RecordFile> = {}): string {
  const file: RecordFile = {
    format: RECORD_FORMAT,
    job,
    events: EVENTS,
    additions: [],
    signature: signatureOf(EVENTS),
    ...change,
  };
  return writeRecordFile(file, hash);
}
const told = (change?: Partial<RecordFile>) => verifyRecord(written(change));

describe('a record as a file', () => {
  it('says who signed what, with nothing but the file', () => {
    const { holds, said } = told();
    expect(holds).toBe(true);
    expect(said[0]).toMatch(/^A job begun .* by Ina, 3 entries, sheet revision 3\.$/);
    expect(said[1]).toMatch(
      /^Signed by the key of Ina’s phone, .*: ([0-9a-f]{4}\s){3}[0-9a-f]{4}\. It holds\.$/,
    );
  });

  it('shows a change of any of its bytes', () => {
    const bytes = Buffer.from(written());
    const missed: string[] = [];
    for (let i = 0; i < bytes.length; i++) {
      for (const flip of [1, 0x20, 0x80]) {
        const changed = Buffer.from(bytes);
        changed[i] = bytes[i]! ^ flip;
        if (verifyRecord(changed.toString()).holds) missed.push(`${i} ^ ${flip}`);
      }
      if (
        verifyRecord(Buffer.concat([bytes.subarray(0, i), bytes.subarray(i + 1)]).toString()).holds
      )
        missed.push(`${i} gone`);
    }
    expect(missed).toEqual([]);
  });

  it('shows what a forger changed who wrote the last line anew', () => {
    const [why, hours, signed] = EVENTS as [JobEvent, JobEvent, JobEvent];
    const wrong: [string, Partial<RecordFile>][] = [
      ['another figure', { events: [why, { ...hours, hours: 6611 }, signed] }],
      ['an entry gone', { events: [why, signed] }],
      ['two entries swapped', { events: [hours, why, signed] }],
      ['two numbers swapped', { events: [{ ...hours, n: 1 }, { ...why, n: 2 }, signed] }],
      ['one entry more', { events: [why, hours, event(2, { type: 'bar.out' }), signed] }],
      ['an entry of another job', { events: [{ ...why, job: uuid(9) }, hours, signed] }],
      ['not signed at all', { events: [why, hours] }],
      ['another method', { job: { ...job, method: 'fewest' } }],
      ['another sheet revision', { job: { ...job, sheetRevision: 4 } }],
      ['another key', { signature: { ...signatureOf(EVENTS), key: newKey().key } }],
      ['no key at all', { signature: { ...signatureOf(EVENTS), key: 'f'.repeat(64) } }],
      ['a signature of other entries', { signature: signatureOf([why, signed]) }],
      [
        'another name',
        {
          signature: {
            ...signatureOf(EVENTS),
            words: { ...signatureOf(EVENTS).words, name: 'Tam' },
          },
        },
      ],
    ];
    for (const [what, change] of wrong) expect([what, told(change).holds]).toEqual([what, false]);
    expect(verifyRecord('').holds).toBe(false);
    const spaced = `${JSON.stringify(JSON.parse(written().split('\n')[0]!), null, 1).replace(/\n/g, '')}\n`;
    expect(verifyRecord(`${spaced}${hash(spaced)}\n`).holds).toBe(false);
    const noJson = '{"format":\n';
    expect(verifyRecord(`${noJson}${hash(noJson)}\n`).holds).toBe(false);
  });

  it('of before there were keys is whole, and says that nobody is proven; so are additions', () => {
    const { holds, said } = told({ signature: null });
    expect([holds, said[1]]).toEqual([
      true,
      expect.stringContaining('No phone’s key has signed it'),
    ]);
    const added = told({ additions: [event(4, { type: 'record.amended', text: 'Gasket kept' })] });
    expect([added.holds, added.said.at(-1)]).toEqual([
      true,
      'One entry was added afterwards: nobody signed that.',
    ]);
  });

  it('is canonical: the same whatever the order of keys', () => {
    expect(canonical({ b: 1, a: { d: null, c: [undefined, 'x'] }, e: undefined })).toBe(
      '{"a":{"c":[null,"x"],"d":null},"b":1}',
    );
  });
});
