/** Things by what they are chosen by: their names, with a number where several have the same. */
export function named<Thing extends { name: string }>(
  things: readonly Thing[],
): ReadonlyMap<string, Thing> {
  const byName = new Map<string, Thing>();
  for (const thing of things) {
    let name = thing.name;
    for (let n = 2; byName.has(name); n++) name = `${thing.name} (${n})`;
    byName.set(name, thing);
  }
  return byName;
}
