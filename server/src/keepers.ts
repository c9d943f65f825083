import type { Database } from './store/sql/database';
import { allShops } from './store/yard/shops';

/** What works for one shop by itself, from when it begins until it ends. */
type Keeper = { begin(): void; end(): Promise<void> };

/** One keeper for each shop of a server; a shop that is opened later has one once it is asked for. */
export class Keepers<Kept extends Keeper> {
  private readonly known = new Map<number, Kept>();
  private working = false;

  constructor(private readonly make: (shop: Database) => Kept) {}

  /** The keeper of a shop. */
  of(shop: Database): Kept {
    const known = this.known.get(shop.shop);
    if (known) return known;
    const made = this.make(shop);
    this.known.set(shop.shop, made);
    if (this.working) made.begin();
    return made;
  }

  /** Begins the work for every shop there is. */
  async begin(db: Database): Promise<void> {
    const shops = await allShops(db);
    this.known.forEach((keeper) => keeper.begin());
    this.working = true;
    shops.forEach((shop) => this.of(shop));
  }

  /** Ends all of it, and waits until it has. */
  async end(): Promise<void> {
    this.working = false;
    await Promise.all([...this.known.values()].map((keeper) => keeper.end()));
  }
}
