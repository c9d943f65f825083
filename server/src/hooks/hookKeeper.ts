import { ignore } from '@longbar/core';
import { setMaxListeners } from 'node:events';
import type { Logger } from 'pino';
import type { Reach } from '../outgoing/askOutside';
import { askOutside, OutsideError } from '../outgoing/askOutside';
import { inShop } from '../inShop';
import type { Database } from '../store/sql/database';
import type { Waiting } from '../store/yard/hookMessages';
import { dueMessages, keepMessages, noteTry } from '../store/yard/hookMessages';
import type { HookRow } from '../store/yard/hooks';
import { hookRows } from '../store/yard/hooks';
import { readShop } from '../store/yard/shop';
import { signMessage } from './signMessage';
import { whatHappened } from './whatHappened';

const A_MINUTE = 60_000;
/** So often the yard is looked through for what fell due, in rounds of a minute. */
const LOOK_EVERY = 10;
/** Between one try and the next, minutes; after the last it is given up. */
const AGAIN_AFTER = [1, 5, 30, 120, 360, 720, 1440, 1440];
const MOST = 100_000;

/** Tells programs elsewhere what happens, each message until it is taken or given up. */
export class HookKeeper {
  private timer: NodeJS.Timeout | undefined;
  private running: Promise<void> = Promise.resolve();
  private readonly ending = new AbortController();

  constructor(
    private readonly db: Database,
    private readonly reach: Reach,
    private readonly logger: Logger,
    /** A program takes a message within so long, ms. */
    private readonly within = 15_000,
  ) {
    // All that are told at once listen to it: a dozen are no leak, as Node would warn.
    setMaxListeners(0, this.ending.signal);
  }

  begin(): void {
    let round = 0;
    this.timer = setInterval(() => {
      void (round++ % LOOK_EVERY === 0 ? this.look(new Date()) : this.send(new Date())).catch(
        ignore('it is logged where it failed'),
      );
    }, A_MINUTE);
  }

  /** Tells no more; what is under way is let go and sent again after the next start. */
  async end(): Promise<void> {
    clearInterval(this.timer);
    this.ending.abort();
    await this.running.catch(ignore('it is logged where it failed'));
  }

  /** Looks for what happened, and tells it. */
  look(now: Date): Promise<void> {
    return this.inTurn(async () => {
      const shop = await readShop(this.db);
      await inShop(shop, async () => {
        for (const hook of await hookRows(this.db)) await this.keepWhatHappened(hook, now);
      });
      await this.sendDue(now);
    });
  }

  /** Tells what is due. */
  send(now: Date): Promise<void> {
    return this.inTurn(() => this.sendDue(now));
  }

  /** Tries whether one arrives. */
  async sendTest(hook: string, now: Date): Promise<void> {
    const timestamp = now.toISOString();
    const { name } = await readShop(this.db);
    const message = { type: 'test', timestamp, data: { shop: name } } as const;
    await this.db.write((transaction) =>
      keepMessages(
        this.db,
        hook,
        [{ about: `test ${timestamp}`, message }],
        timestamp,
        transaction,
      ),
    );
    await this.send(now);
  }

  /** One round after the other: no message is sent by two at once. */
  private inTurn(work: () => Promise<void>): Promise<void> {
    this.running = this.running.catch(ignore('the round before it logged that')).then(async () => {
      if (this.ending.signal.aborted) return;
      try {
        await this.db.alone('hooks', work);
      } catch (error) {
        this.logger.error(error);
        throw error;
      }
    });
    return this.running;
  }

  private async keepWhatHappened(hook: HookRow, now: Date): Promise<void> {
    const messages = await whatHappened(this.db, hook, now);
    if (messages.length === 0) return;
    await this.db.write(async (transaction) => {
      const known = 'SELECT 1 FROM hooks WHERE shop = $shop AND id = $1';
      if (!(await this.db.some(known, [hook.id], transaction))) return;
      await keepMessages(this.db, hook.id, messages, now.toISOString(), transaction);
    });
  }

  private async sendDue(now: Date): Promise<void> {
    const hooks = await hookRows(this.db);
    await Promise.all(hooks.map((hook) => this.tell(hook, now)));
  }

  /** Who did not take one is not bothered with the others in this round. */
  private async tell(hook: HookRow, now: Date): Promise<void> {
    for (const message of await dueMessages(this.db, hook.id, now.toISOString())) {
      const problem = await this.sendOne(hook, message);
      if (this.ending.signal.aborted) return;
      const at = new Date();
      const wait = AGAIN_AFTER[message.tries];
      const nextAt =
        problem === null || wait === undefined
          ? null
          : new Date(at.getTime() + wait * A_MINUTE).toISOString();
      await noteTry(
        this.db,
        { hook: hook.id, id: message.id },
        { at: at.toISOString(), problem, nextAt },
      );
      if (problem !== null) return;
    }
  }

  /** What was wrong, or null. */
  private async sendOne(hook: HookRow, { id, body }: Waiting): Promise<string | null> {
    const headers = {
      'content-type': 'application/json',
      ...signMessage(hook.secret, { id, at: Date.now(), body }),
    };
    const { within } = this;
    const asked = { method: 'POST', headers, body, within, most: MOST } as const;
    try {
      const { status } = await askOutside(
        hook.address,
        { ...asked, signal: this.ending.signal },
        this.reach,
      );
      return status >= 200 && status < 300 ? null : `It answered ${status}.`;
    } catch (error) {
      if (error instanceof OutsideError) return error.message;
      this.logger.error(error);
      return 'It could not be sent.';
    }
  }
}
