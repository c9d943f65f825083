import type {
  HoursPost,
  JobContext,
  JobEvent,
  JobHead,
  MachinePatch,
  MachinePost,
  PracticeRound,
  SheetDetail,
} from '@longbar/core';
import type { DBSchema, IDBPDatabase } from 'idb';
import { openDB } from 'idb';
import { phoneDatabaseName } from './shopOfPhone';

/** What was said of a machine on this phone: added, changed, or its hour meter read. */
export type MachineWord =
  | { kind: 'machine'; machine: MachinePost }
  | { kind: 'change'; machine: string; patch: MachinePatch }
  | { kind: 'hours'; machine: string; reading: HoursPost };

/** Something still to be sent, in the order it was done. */
export type Outgoing =
  | (MachineWord & { since: string })
  | { kind: 'job'; head: JobHead; since: string }
  | { kind: 'event'; event: JobEvent; since: string }
  /** A revision that was published before and that the server has lost. */
  | { kind: 'sheet'; sheet: SheetDetail; since: string }
  /** A photo or clip; its bytes lie in the store of blobs. */
  | { kind: 'blob'; sha256: string; since: string }
  /** A round of practice: no part of any record. */
  | { kind: 'practice'; round: PracticeRound; since: string }
  /** This phone's signature over the record of a job that was signed on it. */
  | { kind: 'proof'; job: string; since: string };

/** A photo or a sound clip as the phone keeps it. */
export type KeptBlob = { sha256: string; type: string; body: ArrayBuffer };

/** What the server answered last, so that it can be read without it. */
export type KeptAnswer = { path: string; body: unknown; at: string };

/** What cannot be sent yet, and why: it is tried again. */
export type Held = { item: Outgoing; why: string };

/** What the server refused, and why; kept until somebody has seen to it. */
export type SetAside = Held & {
  /** Its place in the outbox, where it goes back to; unknown of what an earlier version kept. */
  seq?: number;
};

/** A PIN that worked: its scrypt hash, and how often a wrong one was typed since. */
export type KeptPin = { name: string; salt: Uint8Array; hash: Uint8Array; wrong: number };

/** This phone's Ed25519 key pair; where the browser keeps no secret, the secret itself. */
export type OwnKey = {
  /** The public half, hex. */
  key: string;
  secret: CryptoKey | Uint8Array;
  /** The life of the shop's database in which it is registered. */
  registered: string | null;
  /** Whose phone it is there. */
  name: string | null;
};

type Keyed<T> = T & { seq: number };

interface PhoneSchema extends DBSchema {
  jobs: { key: string; value: JobContext & { id: string } };
  events: { key: string; value: JobEvent; indexes: { job: string } };
  outbox: { key: number; value: Outgoing };
  aside: { key: number; value: SetAside };
  blobs: { key: string; value: KeptBlob };
  answers: { key: string; value: KeptAnswer };
  /** The key of this phone, and which life of its shop's database knows it. */
  own: { key: string; value: OwnKey };
  /** The jobs that were signed on this phone. */
  signed: { key: string; value: { job: string } };
  /** PINs that worked on this phone, to be asked for without signal, by name. */
  pins: { key: string; value: KeptPin };
}

/** The phone's own store. Nothing is answered on screen before it is kept here. */
export type PhoneDatabase = {
  keepJob(context: JobContext, unsent: boolean, now: string): Promise<void>;
  /** Keeps what one tap says, all of it or nothing. */
  appendOwn(events: readonly JobEvent[]): Promise<void>;
  mergeEvents(events: readonly JobEvent[]): Promise<void>;
  jobs(): Promise<JobContext[]>;
  eventsOf(job: string): Promise<JobEvent[]>;
  keepWord(word: MachineWord, now: string): Promise<void>;
  /** What was said of machines and is not sent yet, in order. */
  machineWords(): Promise<MachineWord[]>;
  /** Puts things behind all that waits. */
  queue(items: readonly Outgoing[]): Promise<void>;
  /** What is oldest behind a place of the outbox. */
  outgoing(limit: number, after: number): Promise<Keyed<Outgoing>[]>;
  sent(seqs: readonly number[]): Promise<void>;
  setAside(items: readonly Keyed<Outgoing>[], why: string): Promise<void>;
  /** Puts what was set aside back where it stood in the outbox. */
  takeBack(): Promise<void>;
  unsent(): Promise<{ count: number; since: string | null; aside: SetAside[] }>;
  /** What was set aside, in the order it was. */
  aside(): Promise<SetAside[]>;
  keepBlob(blob: KeptBlob, now: string): Promise<void>;
  /** Queues those of these photos and clips that are kept here and neither wait nor are set aside. */
  offerBlobs(hashes: readonly string[], now: string): Promise<number>;
  blob(sha256: string): Promise<KeptBlob | undefined>;
  /** The hashes of all photos and clips that are kept. */
  blobNames(): Promise<string[]>;
  keepAnswer(answer: KeptAnswer): Promise<void>;
  /** Who may see less than before does not find it here; what everybody reads stays. */
  forgetAnswers(): Promise<void>;
  answer(path: string): Promise<KeptAnswer | undefined>;
  ownKey(): Promise<OwnKey | undefined>;
  keepOwnKey(key: OwnKey): Promise<void>;
  /** The server learns of the key anew. */
  unregisterKey(): Promise<void>;
  /** Another person holds it from here on: key and PINs go, and what was signed is not theirs. */
  forgetHolder(): Promise<void>;
  /** Nobody holds it any more: only what is unsent stays, with the jobs and photos it is about. */
  clearFetched(): Promise<void>;
  pin(name: string): Promise<KeptPin | undefined>;
  keepPin(pin: KeptPin): Promise<void>;
  forgetPin(name: string): Promise<void>;
  /** A job that was signed on this phone is to be proved once more: that is sent when it can be. */
  queueProof(job: string, now: string): Promise<void>;
  /** The jobs that were signed on this phone. */
  signedHere(): Promise<string[]>;
  /** What is kept of answers to questions that begin so. */
  answersUnder(path: string): Promise<KeptAnswer[]>;
};

/** A dead battery must not eat an answered tap: the disk has it before the promise resolves. */
const STRICT = { durability: 'strict' } as const;

export async function openPhoneDatabase(name = phoneDatabaseName()): Promise<PhoneDatabase> {
  const db = await openDB<PhoneSchema>(name, 3, {
    upgrade(fresh, from) {
      if (from < 1) {
        fresh.createObjectStore('jobs', { keyPath: 'id' });
        fresh.createObjectStore('events', { keyPath: 'id' }).createIndex('job', 'job');
        fresh.createObjectStore('outbox', { autoIncrement: true });
        fresh.createObjectStore('aside', { autoIncrement: true });
      }
      if (from < 2) {
        fresh.createObjectStore('blobs', { keyPath: 'sha256' });
        fresh.createObjectStore('answers', { keyPath: 'path' });
      }
      fresh.createObjectStore('own');
      fresh.createObjectStore('signed', { keyPath: 'job' });
      fresh.createObjectStore('pins', { keyPath: 'name' });
    },
  });
  return {
    ...jobStore(db),
    ...outboxStore(db),
    ...blobStore(db),
    ...answerStore(db),
    ...keyStore(db),
  };
}

type Db = IDBPDatabase<PhoneSchema>;

function jobStore(db: Db) {
  return {
    async keepJob(context: JobContext, unsent: boolean, now: string) {
      const tx = db.transaction(['jobs', 'outbox'], 'readwrite', STRICT);
      await tx.objectStore('jobs').put({ ...context, id: context.head.id });
      if (unsent)
        await tx.objectStore('outbox').add({ kind: 'job', head: context.head, since: now });
      await tx.done;
    },
    async appendOwn(events: readonly JobEvent[]) {
      const tx = db.transaction(['events', 'outbox', 'signed'], 'readwrite', STRICT);
      const kept: Promise<unknown>[] = events.flatMap((event) => [
        tx.objectStore('events').put(event),
        tx.objectStore('outbox').add({ kind: 'event', event, since: event.at }),
      ]);
      for (const { type, job, at } of events) {
        if (type !== 'job.signed') continue;
        kept.push(tx.objectStore('signed').put({ job }));
        kept.push(tx.objectStore('outbox').add({ kind: 'proof', job, since: at }));
      }
      // Not waited for one by one: the tap that is kept here waits for its answer.
      tx.commit();
      await Promise.all([...kept, tx.done]);
    },
    async mergeEvents(events: readonly JobEvent[]) {
      const tx = db.transaction('events', 'readwrite', STRICT);
      await Promise.all(events.map((event) => tx.store.put(event)));
      await tx.done;
    },
    jobs: () => db.getAll('jobs'),
    eventsOf: (job: string) => db.getAllFromIndex('events', 'job', job),
  };
}

function outboxStore(db: Db) {
  return {
    keepWord: (word: MachineWord, now: string) => queue(db, [{ ...word, since: now }]),
    queue: (items: readonly Outgoing[]) => queue(db, items),
    async machineWords() {
      return (await db.getAll('outbox')).filter(isMachineWord);
    },
    async outgoing(limit: number, after: number) {
      const found: Keyed<Outgoing>[] = [];
      const behind = IDBKeyRange.lowerBound(after, true);
      let cursor = await db.transaction('outbox').store.openCursor(behind);
      while (cursor && found.length < limit) {
        found.push({ ...cursor.value, seq: cursor.key });
        cursor = await cursor.continue();
      }
      return found;
    },
    async sent(seqs: readonly number[]) {
      const tx = db.transaction('outbox', 'readwrite', STRICT);
      await Promise.all(seqs.map((seq) => tx.store.delete(seq)));
      await tx.done;
    },
    async setAside(items: readonly Keyed<Outgoing>[], why: string) {
      const tx = db.transaction(['outbox', 'aside'], 'readwrite', STRICT);
      for (const { seq, ...item } of items) {
        await tx.objectStore('aside').add({ item, why, seq });
        await tx.objectStore('outbox').delete(seq);
      }
      await tx.done;
    },
    async takeBack() {
      const tx = db.transaction(['outbox', 'aside'], 'readwrite', STRICT);
      for (const { item, seq } of await tx.objectStore('aside').getAll()) {
        await tx.objectStore('outbox').put(item, seq);
      }
      await tx.objectStore('aside').clear();
      await tx.done;
    },
    async unsent() {
      const tx = db.transaction(['outbox', 'aside']);
      const [count, [first], aside] = await Promise.all([
        tx.objectStore('outbox').count(),
        tx.objectStore('outbox').getAll(undefined, 1),
        tx.objectStore('aside').getAll(),
      ]);
      return { count, since: first?.since ?? null, aside };
    },
    aside: () => db.getAll('aside'),
  };
}

async function queue(db: Db, items: readonly Outgoing[]): Promise<void> {
  const tx = db.transaction('outbox', 'readwrite', STRICT);
  await Promise.all(items.map((item) => tx.store.add(item)));
  await tx.done;
}

/** Whether what waits to be sent is about a machine itself. */
function isMachineWord(item: Outgoing): item is MachineWord & { since: string } {
  return item.kind === 'machine' || item.kind === 'change' || item.kind === 'hours';
}

function blobStore(db: Db) {
  return {
    async keepBlob(blob: KeptBlob, now: string) {
      const tx = db.transaction(['blobs', 'outbox'], 'readwrite', STRICT);
      await tx.objectStore('blobs').put(blob);
      await tx.objectStore('outbox').add({ kind: 'blob', sha256: blob.sha256, since: now });
      await tx.done;
    },
    async offerBlobs(hashes: readonly string[], now: string) {
      const tx = db.transaction(['blobs', 'outbox', 'aside'], 'readwrite', STRICT);
      const outbox = tx.objectStore('outbox');
      const aside = (await tx.objectStore('aside').getAll()).map(({ item }) => item);
      const unsent = [...(await outbox.getAll()), ...aside];
      const queued = new Set(unsent.map((item) => item.kind === 'blob' && item.sha256));
      let offered = 0;
      for (const sha256 of hashes) {
        if (queued.has(sha256) || !(await tx.objectStore('blobs').getKey(sha256))) continue;
        await outbox.add({ kind: 'blob', sha256, since: now });
        offered++;
      }
      await tx.done;
      return offered;
    },
    blob: (sha256: string) => db.get('blobs', sha256),
    blobNames: () => db.getAllKeys('blobs'),
  };
}

/** What everybody of a shop reads: the yard, its sheets, the shop's rules. */
const FOR_ALL = /^\/(machines|sheets|shop)\b/;

function answerStore(db: Db) {
  return {
    async keepAnswer(answer: KeptAnswer) {
      await db.put('answers', answer);
    },
    async forgetAnswers() {
      const tx = db.transaction('answers', 'readwrite', STRICT);
      for (const path of await tx.store.getAllKeys()) {
        if (!FOR_ALL.test(path)) await tx.store.delete(path);
      }
      await tx.done;
    },
    answer: (path: string) => db.get('answers', path),
    answersUnder: (path: string) => db.getAll('answers', IDBKeyRange.bound(path, `${path}\uffff`)),
  };
}

/** The job that something unsent is about. */
function jobOf(item: Outgoing): string | undefined {
  if (item.kind === 'event') return item.event.job;
  if (item.kind === 'job') return item.head.id;
  return item.kind === 'proof' ? item.job : undefined;
}

const OWN = 'key';

function keyStore(db: Db) {
  return {
    ownKey: () => db.get('own', OWN),
    async keepOwnKey(key: OwnKey) {
      await db.put('own', key, OWN);
    },
    async unregisterKey() {
      const own = await db.get('own', OWN);
      if (own) await db.put('own', { ...own, registered: null }, OWN);
    },
    async forgetHolder() {
      const tx = db.transaction(['own', 'signed', 'pins'], 'readwrite', STRICT);
      for (const store of ['own', 'signed', 'pins'] as const) await tx.objectStore(store).clear();
      await tx.done;
    },
    async clearFetched() {
      const stores = [
        'jobs',
        'events',
        'outbox',
        'aside',
        'blobs',
        'answers',
        'own',
        'signed',
        'pins',
      ] as const;
      const tx = db.transaction(stores, 'readwrite', STRICT);
      const aside = (await tx.objectStore('aside').getAll()).map(({ item }) => item);
      const unsent = [...(await tx.objectStore('outbox').getAll()), ...aside];
      const jobs = new Set(unsent.map(jobOf));
      const photos = new Set(unsent.map((item) => item.kind === 'blob' && item.sha256));
      for (const { head } of await tx.objectStore('jobs').getAll()) {
        if (!jobs.has(head.id)) await tx.objectStore('jobs').delete(head.id);
      }
      for (const { id, job } of await tx.objectStore('events').getAll()) {
        if (!jobs.has(job)) await tx.objectStore('events').delete(id);
      }
      for (const sha256 of await tx.objectStore('blobs').getAllKeys()) {
        if (!photos.has(sha256)) await tx.objectStore('blobs').delete(sha256);
      }
      for (const store of ['answers', 'own', 'signed', 'pins'] as const) {
        await tx.objectStore(store).clear();
      }
      await tx.done;
    },
    async queueProof(job: string, now: string) {
      const tx = db.transaction(['signed', 'outbox'], 'readwrite', STRICT);
      await tx.objectStore('signed').put({ job });
      await tx.objectStore('outbox').add({ kind: 'proof', job, since: now });
      await tx.done;
    },
    signedHere: () => db.getAllKeys('signed'),
    pin: (name: string) => db.get('pins', name),
    async keepPin(pin: KeptPin) {
      await db.put('pins', pin);
    },
    forgetPin: (name: string) => db.delete('pins', name),
  };
}
