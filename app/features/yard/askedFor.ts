/** What was asked for within this is not asked for again while its line says the same, ms. */
const FRESH = 900_000;

/**
 * What was asked for by its line in a list, and when: a list that is told anew asks only for what has
 * changed in it, or was asked for long ago.
 */
export class AskedFor {
  private readonly known = new Map<string, { line: string; at: number }>();

  /** The ids of those that are to be asked for; from here on they are. */
  fresh(lines: readonly { id: string }[], now = Date.now()): string[] {
    const due = lines
      .map((line) => ({ id: line.id, line: JSON.stringify(line), at: now }))
      .filter(({ id, line }) => {
        const before = this.known.get(id);
        return before?.line !== line || now - before.at >= FRESH;
      });
    for (const { id, line, at } of due) this.known.set(id, { line, at });
    return due.map(({ id }) => id);
  }

  /** It was not answered. */
  forget(id: string): void {
    this.known.delete(id);
  }
}
