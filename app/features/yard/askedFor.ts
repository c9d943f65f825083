/** What was asked for within this is not asked for again while its line says the same, ms. */
const FRESH = 900_000;

/**
 * What was asked for by its line in a list, and when: a list that is told anew asks only for what has
 * changed in it, or was asked for long ago.
 */
export class AskedFor {
  private readonly known = new Map<string, { line: string; at: number }>();

  /** The ids of the lines to ask for now. They count as asked for from here on. */
  due(lines: readonly { id: string }[], now = Date.now()): string[] {
    return lines
      .filter((each) => {
        const line = JSON.stringify(each);
        const before = this.known.get(each.id);
        if (before?.line === line && now - before.at < FRESH) return false;
        this.known.set(each.id, { line, at: now });
        return true;
      })
      .map(({ id }) => id);
  }

  /** It was not answered. */
  forget(id: string): void {
    this.known.delete(id);
  }
}
