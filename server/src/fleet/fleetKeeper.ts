import { ignore, localDay } from '@longbar/core';
import type { Logger } from 'pino';
import type { Reach } from '../outgoing/askOutside';
import { OutsideError } from '../outgoing/askOutside';
import { inShop } from '../inShop';
import type { Database } from '../store/sql/database';
import { readShop } from '../store/yard/shop';
import { takeFleet } from '../store/hours/fleetHours';
import type { FleetRow } from '../store/hours/fleets';
import { fleetOf, fleetRows, noteAsked } from '../store/hours/fleets';
import { askFleet } from './askFleet';

/** After the start, ms: the first phones are served before. */
const FIRST = 60_000;
/** Looked at so often whether one is due, ms: a clock that was put right is followed. */
const EVERY = 600_000;
const AN_HOUR = 3_600_000;

/** Asks each telematics service when it is due, and when somebody wants it now. */
export class FleetKeeper {
  private readonly timers: NodeJS.Timeout[] = [];
  private readonly asking = new Map<string, Promise<void>>();
  private readonly ending = new AbortController();

  constructor(
    private readonly db: Database,
    private readonly reach: Reach,
    private readonly logger: Logger,
  ) {}

  begin(): void {
    const work = () => void this.askDue(new Date()).catch(ignore('it is logged where it failed'));
    this.timers.push(setTimeout(work, FIRST), setInterval(work, EVERY));
  }

  /** Asks no more; what is under way is let go, and what it told already is kept. */
  async end(): Promise<void> {
    this.timers.forEach((timer) => clearTimeout(timer));
    this.ending.abort();
    await Promise.all(this.asking.values());
  }

  /** Asks every service that is due by now. */
  async askDue(now: Date): Promise<void> {
    await this.db.alone('fleets', async () => {
      const due = (await fleetRows(this.db)).filter((fleet) => isDue(fleet, now));
      await Promise.all(due.map((fleet) => this.once(fleet, now)));
    });
  }

  /** Asks a service now. Throws RequestError 404. */
  async askNow(id: string, now: Date): Promise<void> {
    await this.once(await fleetOf(this.db, id), now);
  }

  /** Who asks while it is being asked already waits for that. */
  private once(fleet: FleetRow, now: Date): Promise<void> {
    const under = this.asking.get(fleet.id);
    if (under) return under;
    const asked = this.ask(fleet, now).finally(() => this.asking.delete(fleet.id));
    this.asking.set(fleet.id, asked);
    return asked;
  }

  private async ask(fleet: FleetRow, now: Date): Promise<void> {
    let problem: string | null = null;
    const { signal } = this.ending;
    try {
      const told = await askFleet(fleet, this.reach, { signal });
      const shop = await readShop(this.db);
      await inShop(shop, () => takeFleet(this.db, told, localDay(now)));
    } catch (error) {
      // It was not asked to the end: the next start does.
      if (signal.aborted) return;
      problem = error instanceof OutsideError ? error.message : 'What it told could not be kept.';
      if (!(error instanceof OutsideError)) this.logger.error(error);
    }
    await noteAsked(this.db, fleet.id, { at: now.toISOString(), problem });
  }
}

/** One that failed is asked again within the hour; a clock that went back makes it due. */
function isDue({ askedAt, everyHours, problem }: FleetRow, now: Date): boolean {
  if (askedAt === null) return true;
  const since = now.getTime() - Date.parse(askedAt);
  return since < 0 || since >= AN_HOUR * (problem === null ? everyHours : Math.min(1, everyHours));
}
