import { createHash } from 'node:crypto';
import type { ArchiveLine, JobEvent, JobHead, Signature } from '@longbar/core';
import { ArchiveReader, canonical, fingerprintOf, formatDay, sealedText } from '@longbar/core';
import { sha256 } from '../store/journal/blobs';
import type { Found } from './verifyRecord';
import { proven } from './verifyRecord';

type Job = { head: JobHead; seal: string; standing: JobEvent[]; signature: Signature | null };

/** So much that is wrong is named, and no more. */
const MOST_NAMED = 50;

/** Looks through a whole archive: each line, each seal, each signature, and the hash of it all. */
export async function verifyArchive(lines: AsyncIterable<string>): Promise<Found> {
  const archive = new Archive();
  for await (const line of lines) {
    archive.read(line);
    if (archive.isHopeless) break;
  }
  return archive.found();
}

class Archive {
  private readonly reader = new ArchiveReader();
  private readonly hash = createHash('sha256');
  private readonly jobs = new Map<string, Job>();
  private readonly machines = new Map<string, string>();
  private readonly names = new Map<string, readonly string[]>();
  private readonly wrong: string[] = [];

  get isHopeless(): boolean {
    return this.reader.isHopeless;
  }

  read(text: string): void {
    const line = this.reader.read(text);
    if (line) this.take(line);
    if (line?.type === 'end' && canonical(line) !== text) {
      this.wrong.push('The last line is not written as Long Bar writes it.');
    }
    this.hash.update(`${text}\n`);
  }

  private take(line: ArchiveLine): void {
    switch (line.type) {
      case 'machine':
        return void this.machines.set(line.id, line.name);
      case 'key':
        return void this.names.set(line.key, line.names);
      case 'job': {
        const { head, seal } = line;
        if (seal !== null) this.jobs.set(head.id, { head, seal, standing: [], signature: null });
        return;
      }
      case 'event':
        if (!line.late) this.jobs.get(line.event.job)?.standing.push(line.event);
        return;
      case 'signature': {
        const { type: _, ...signature } = line;
        const job = this.jobs.get(line.words.job.id);
        if (job) job.signature = signature;
        return;
      }
      case 'blob':
        if (sha256(Buffer.from(line.base64, 'base64')) !== line.sha256) {
          this.wrong.push(`Photo or clip ${line.sha256}: its bytes have another hash.`);
        }
        return;
      case 'end':
        if (line.sha256 !== this.hash.copy().digest('hex')) {
          this.wrong.push('The lines have another hash than the last one says: they were changed.');
        }
        return;
    }
  }

  found(): Found {
    this.reader.end();
    const misread = this.reader.issues.map(
      ({ line, path, message }) => `Line ${line}${path === '' ? '' : `, ${path}`}: ${message}`,
    );
    const byKey = new Map<string, number>();
    const jobs = [...this.jobs.values()].flatMap((job) => this.wrongIn(job, byKey));
    const wrong = [...misread, ...this.wrong, ...jobs];
    if (wrong.length > 0) return { holds: false, said: wrong.slice(0, MOST_NAMED) };
    const signed = [...byKey].map(
      ([key, count]) =>
        `${count} by the key of ${this.names.get(key)?.at(-1)}’s phone, ${fingerprintOf(key)}`,
    );
    const left = this.jobs.size - [...byKey.values()].reduce((sum, count) => sum + count, 0);
    return {
      holds: true,
      said: [
        `${this.jobs.size} signed jobs; every seal holds, and every signature.`,
        ...signed.map((text) => `Signed: ${text}.`),
        ...(left > 0 ? [`${left} signed by no phone’s key: who wrote them cannot be proven.`] : []),
      ],
    };
  }

  private wrongIn(job: Job, byKey: Map<string, number>): string[] {
    const { head, seal, standing, signature } = job;
    const name = `${this.machines.get(head.machine)}, ${formatDay(head.at)}`;
    const sealed = sealedText(standing) ?? '';
    if (sha256(Buffer.from(sealed)) !== seal) {
      return [`${name}: the seal is broken, its entries are not those that were signed.`];
    }
    const { holds, said } = proven(signature, head, sealed);
    if (!holds) return said.map((text) => `${name}: ${text}`);
    if (signature && !this.names.get(signature.key)?.includes(signature.words.name)) {
      return [`${name}: signed in ${signature.words.name}’s name by somebody else’s key.`];
    }
    if (signature) byKey.set(signature.key, (byKey.get(signature.key) ?? 0) + 1);
    return [];
  }
}
