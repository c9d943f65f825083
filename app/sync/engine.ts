import type {
  Beat,
  EventsPage,
  JobAct,
  JobContext,
  JobEvent,
  Me,
  PracticeRound,
} from '@longbar/core';
import {
  ANSWER_WITHIN_MS,
  EventsPageSchema,
  ignore,
  isAtLeast,
  JobBeginSchema,
  JobEventsSchema,
  ShopHereSchema,
} from '@longbar/core';
import { v4 as uuid } from 'uuid';
import * as v from 'valibot';
import { request } from '../api/request';
import { serverReached } from '../state/askAgain';
import {
  eventsKept,
  jobKept,
  jobsRead,
  lateKnown,
  storeFailed,
  unsentCounted,
} from '../state/jobs';
import type { KeptJob } from '../state/jobs';
import type * as openJob from '../state/openJob';
import { phoneChanged } from '../state/phone';
import { preferencesChanged } from '../state/preferences';
import { machineWordsKept } from '../state/machineWords';
import type { AppStore } from '../state/store';
import { ask, get, lookAt } from './ask';
import { contextToTake } from './contextToTake';
import { heldBy } from './holder';
import { JobStreams } from './jobStreams';
import { machineWordsSent } from './machineWordsSent';
import { offerLacking } from './offer';
import { describe, refuseOutOfBounds } from './outOfBounds';
import type { PinAnswer } from './pin';
import { tryPin } from './pin';
import { registerKey } from './proof';
import { Recording } from './recording';
import { beginWalk, retryDelay, sendOldest } from './outbox';
import type { Held, KeptBlob, MachineWord, PhoneDatabase } from '../phone/phoneDatabase';
import { openPhoneDatabase } from '../phone/phoneDatabase';
import { isAnotherLife, noteLife, shopAnswered } from '../phone/shopOfPhone';

/**
 * Ties the phone's store, the screen's state and the server together: an act is kept on the
 * phone, then shown, then sent.
 */
export class SyncEngine {
  private readonly opening: Promise<PhoneDatabase>;
  private readonly streams = new JobStreams(
    (job, page) => {
      this.take(job, page).catch((error) => this.store.dispatch(storeFailed(describe(error))));
    },
    () => this.signalBack(),
  );
  /** What was tapped and is not kept yet. */
  readonly recording = new Recording();
  private last: Promise<unknown> = Promise.resolve();
  private looking: Promise<void> | undefined;
  private sending = false;
  private failures = 0;
  /** What the server told may be old: something was sent, or nobody was heard for a while. */
  private toldOld = false;
  /** Asked to send while it was sending. */
  private asked = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private soon: ReturnType<typeof setTimeout> | undefined;

  /** `reader` brings what reads a job by its journal: the yard's script is without it. */
  constructor(
    private readonly store: AppStore,
    private readonly reader: () => Promise<typeof openJob>,
    private readonly now: () => string = () => new Date().toISOString(),
  ) {
    this.opening = openPhoneDatabase();
  }

  /** Reads what the phone keeps and begins to send what is unsent. */
  async start(): Promise<void> {
    try {
      const db = await this.opening;
      const contexts = await db.jobs();
      const kept = await Promise.all(
        contexts.map(async (context) => ({ context, events: await db.eventsOf(context.head.id) })),
      );
      this.store.dispatch(machineWordsKept(await db.machineWords()));
      this.store.dispatch(jobsRead(kept));
      await this.count();
    } catch (error) {
      this.store.dispatch(storeFailed(describe(error)));
      this.store.dispatch(jobsRead([]));
    }
    globalThis.addEventListener?.('online', () => this.signalBack());
    void this.lookForShop().then(() => this.send());
  }

  /** Asks which shop answers; another one's page begins from what this phone kept of that. */
  private lookForShop(): Promise<void> {
    this.looking ??= this.lookForShopNow().finally(() => (this.looking = undefined));
    return this.looking;
  }

  private async lookForShopNow(): Promise<void> {
    const answer = await lookAt('/shop').catch(ignore('without signal it is the same shop'));
    if (answer) this.store.dispatch(phoneChanged({ unpaired: answer.status === 401 }));
    const shop = v.safeParse(ShopHereSchema, answer?.body);
    if (!shop.success) return;
    const { id, generation, units = null } = shop.output;
    this.store.dispatch(preferencesChanged({ units }));
    if (shopAnswered(id)) return globalThis.location?.reload();
    if (generation === undefined) return;
    const db = await this.opening;
    const put = (path: string, body: object) => ask({ path, method: 'PUT', body });
    await registerKey(db, `${id} ${generation}`, put).catch(
      ignore('it is registered when the server answers next'),
    );
    await this.lookForLife(id, generation);
  }

  /** A server that was put back to an earlier state is offered what it lacks. */
  private async lookForLife(id: string, generation: string): Promise<void> {
    if (isAnotherLife(id, generation)) {
      const offered = await offerLacking(await this.opening, lookAt, this.now()).catch(
        ignore('it is offered when the server answers next'),
      );
      if (offered === undefined) return;
      this.store.dispatch(unsentCounted({ offered }));
      this.streams.fromStart();
      void this.send();
    }
    noteLife(id, generation);
  }

  /** The waits begin anew: a network that has just come back may need a moment yet. */
  private signalBack(): void {
    this.failures = 0;
    this.toldOld = true;
    void this.send();
    void this.lookForShop();
  }

  /** Keeps what is said of a machine on this phone; the server learns of it when it can. */
  async sayOfMachine(...words: MachineWord[]): Promise<void> {
    const db = await this.opening;
    for (const word of words) await db.keepWord(word, this.now());
    this.store.dispatch(machineWordsKept(await db.machineWords()));
    await this.count();
    void this.send();
  }

  /** Keeps how somebody practised, to be told to the server. */
  async practised(round: PracticeRound): Promise<void> {
    await (await this.opening).queue([{ kind: 'practice', round, since: this.now() }]);
    this.sendSoon();
  }

  /** Begins a job on this phone; the server learns of it when it can. */
  async beginJob(context: JobContext): Promise<void> {
    refuseOutOfBounds(JobBeginSchema, context.head, context.head.at);
    const db = await this.opening;
    await db.keepJob(context, true, this.now());
    this.store.dispatch(jobKept({ context, events: [] }));
    await this.count();
    void this.send();
  }

  /**
   * Keeps acts of one job, one after the other, and shows them together: what was said in one tap
   * is never seen half. Resolves when all are on the phone's disk.
   */
  record(job: string, by: string, ...acts: JobAct[]): Promise<void> {
    const mine = this.last.then(() => this.recordAll(job, by, acts));
    this.last = mine.catch(ignore('who asked for it is told'));
    return this.recording.until(mine);
  }

  private async recordAll(job: string, by: string, acts: readonly JobAct[]): Promise<void> {
    try {
      const fresh = await this.eventsOf(job, by, acts);
      await (await this.opening).appendOwn(fresh);
      this.store.dispatch(eventsKept({ job, events: fresh }));
      // There is room again.
      if (this.store.getState().jobs.storeFailed !== null) this.store.dispatch(storeFailed(null));
    } catch (error) {
      this.store.dispatch(storeFailed(describe(error)));
      throw error;
    } finally {
      this.sendSoon();
    }
  }

  /** What one tap says as events, and what follows by itself, as the plan once the place is told. */
  private async eventsOf(job: string, by: string, acts: readonly JobAct[]): Promise<JobEvent[]> {
    const { dueOf, knownHere } = await this.reader();
    const fresh: JobEvent[] = [];
    // What one tap says has one instant: by that, one tap takes it back.
    const at = this.now();
    const add = (act: JobAct) => {
      const kept = this.known(job, fresh);
      const n = (kept?.events ?? []).reduce((most, event) => Math.max(most, event.n), 0) + 1;
      fresh.push({ ...act, ...(kept && knownHere(kept, act)), id: uuid(), job, n, at, by });
    };
    acts.forEach(add);
    const kept = this.known(job, fresh);
    if (kept && this.mayWork()) dueOf(kept).forEach(add);
    refuseOutOfBounds(JobEventsSchema, fresh, at);
    return fresh;
  }

  /** Who only helps or reads writes nothing down by the way. */
  private mayWork(): boolean {
    const { holder } = this.store.getState().preferences;
    return isAtLeast(holder?.role ?? 'technician', 'technician');
  }

  /** The job with what was kept on the disk since it was last shown. */
  private known(job: string, fresh: readonly JobEvent[]): KeptJob | undefined {
    const kept = this.store.getState().jobs.byId[job];
    return kept && (fresh.length > 0 ? { ...kept, events: [...kept.events, ...fresh] } : kept);
  }

  /** Counts and sends once the answer to the tap is painted: neither is waited for. */
  private sendSoon(): void {
    clearTimeout(this.soon);
    this.soon = setTimeout(() => void this.count().then(() => this.send()), AFTER_THE_PAINT);
  }

  /** Signs the record of a job by this phone's key, as it is known here after another look. */
  async prove(job: string): Promise<void> {
    await this.pull(job);
    const db = await this.opening;
    // Its person may have another name by now.
    await db.unregisterKey();
    await this.lookForShop();
    await db.queueProof(job, this.now());
    await this.count();
    await this.send();
  }

  /** Whether a job was signed on this phone. */
  async isSignedHere(job: string): Promise<boolean> {
    return (await (await this.opening).signedHere()).includes(job);
  }

  /** Notes whose phone this is, as the server says. */
  async heldBy(me: Me): Promise<void> {
    await heldBy(await this.opening, this.store, me);
  }

  /** Whether this is somebody's PIN, before their name is used here. */
  async tryPin(name: string, pin: string): Promise<PinAnswer> {
    const post = (path: string, body: object) => ask({ path, body });
    return tryPin(await this.opening, name, pin, post);
  }

  /** This phone is paired no more. Throws with words for a person where the server cannot be told. */
  async signOut(): Promise<void> {
    const { ok } = await request('/me', { method: 'DELETE' });
    if (!ok) throw new Error('The server did not take it: this phone is paired still.');
    await (await this.opening).clearFetched();
    this.store.dispatch(preferencesChanged({ name: '', names: [], holder: null, practice: {} }));
  }

  /** Keeps a photo or clip on the phone's disk, to be sent before the event that names it. */
  async keepBlob(blob: KeptBlob): Promise<void> {
    await (await this.opening).keepBlob(blob, this.now());
    this.sendSoon();
  }

  /** A photo or clip that this phone keeps. */
  async blob(sha256: string): Promise<KeptBlob | undefined> {
    return (await this.opening).blob(sha256);
  }

  /** Fetches a job and what others added to its journal; keeps both on the phone. */
  async pull(job: string): Promise<void> {
    const db = await this.opening;
    const context = await contextToTake(job, this.store.getState().jobs.byId[job]);
    if (context) {
      await db.keepJob(context, false, this.now());
      this.store.dispatch(jobKept({ context, events: [] }));
    }
    for (let serial = 0, more = true; more;) {
      const page = v.parse(EventsPageSchema, await get(`/jobs/${job}/events?after=${serial}`));
      await this.take(job, page);
      ({ serial, more } = page);
    }
  }

  /** Follows what others do at a job, and their beats, until the answer is called. */
  follow(job: string, onBeat?: (beat: Beat) => void): () => void {
    return this.streams.follow(job, onBeat);
  }

  /**
   * Says a beat to the other side; one that does not arrive is followed by the next. One that is
   * late is given up, so that on a slow link the fresh ones do not wait behind it.
   */
  beat(job: string, beat: Beat): void {
    ask({ path: `/jobs/${job}/beats`, body: beat }, ANSWER_WITHIN_MS).catch(
      ignore('a beat that is lost is followed by the next'),
    );
  }

  /** Keeps what came from the server, where it is not here already. */
  private async take(job: string, { events, late = [], lacking = [] }: EventsPage): Promise<void> {
    const known = this.store.getState().jobs.byId[job];
    const held = new Set(known?.events.map(({ id }) => id));
    const fresh = events.filter(({ id }) => !held.has(id));
    const news = late.filter((id) => !known?.context.late?.includes(id));
    const db = await this.opening;
    if (fresh.length > 0) await db.mergeEvents(fresh);
    // Before the events are shown: what came too late is never seen to count.
    if (news.length > 0) this.store.dispatch(lateKnown({ job, late: news }));
    if (fresh.length > 0) this.store.dispatch(eventsKept({ job, events: fresh }));
    const context = this.store.getState().jobs.byId[job]?.context;
    if (news.length > 0 && context) await db.keepJob(context, false, this.now());
    // A photo that an event names and that never arrived: it may lie on this phone.
    if (lacking.length > 0 && (await db.offerBlobs(lacking, this.now())) > 0) this.sendSoon();
  }

  /** Sends until nothing is left or nobody answers; then tries again by itself. */
  async send(): Promise<void> {
    if (this.sending) {
      this.asked = true;
      return;
    }
    this.sending = true;
    this.asked = false;
    clearTimeout(this.timer);
    try {
      const db = await this.opening;
      const walk = await beginWalk(db);
      let result = await sendOldest(db, ask, walk);
      while (result === 'progress') {
        this.toldOld = true;
        this.streams.askAgain();
        result = await sendOldest(db, ask, walk);
        if (result === 'progress') await this.count();
      }
      await machineWordsSent(db, this.store);
      // What was added while this ran is counted last, so that no older count stays shown.
      await this.count();
      this.settle(result === 'done', walk.held);
    } catch (error) {
      this.store.dispatch(storeFailed(describe(error)));
    } finally {
      this.sending = false;
      // What was kept while the last look at the outbox was under way is not left lying.
      if (this.asked) void this.send();
    }
  }

  /** What was set aside is sent once more: somebody has seen to what it was refused for. */
  async sendAgain(): Promise<void> {
    await (await this.opening).takeBack();
    await this.count();
    await this.send();
  }

  private settle(reachable: boolean, held: Held[]): void {
    this.store.dispatch(unsentCounted({ reachable, held }));
    if (reachable && this.toldOld) this.store.dispatch(serverReached);
    if (reachable) this.toldOld = false;
    this.failures = reachable && held.length === 0 ? 0 : this.failures + 1;
    if (this.failures === 0) return;
    // It may be that another shop answers here by now.
    void this.lookForShop();
    this.timer = setTimeout(() => this.send(), retryDelay(this.failures - 1));
  }

  private async count(): Promise<void> {
    const db = await this.opening;
    this.store.dispatch(unsentCounted(await db.unsent()));
  }
}

/** Counted and sent so long after what was tapped is painted, ms. */
const AFTER_THE_PAINT = 100;
