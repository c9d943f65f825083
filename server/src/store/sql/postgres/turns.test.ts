import { Turns } from './turns';

const settled = () => new Promise((resolve) => setImmediate(resolve));

describe('turns', () => {
  it('are so many of each at a time, in the order in which they are asked for', async () => {
    const turns = new Turns(2);
    const begun: string[] = [];
    const begin = (which: number, name: string) =>
      void turns.begin(which).then(() => begun.push(name));
    begin(1, 'a');
    begin(1, 'b');
    begin(1, 'c');
    begin(1, 'd');
    begin(2, 'of another');
    await settled();
    expect(begun).toEqual(['a', 'b', 'of another']);
    turns.end(1);
    await settled();
    expect(begun).toEqual(['a', 'b', 'of another', 'c']);
    for (let i = 0; i < 3; i++) turns.end(1);
    await settled();
    expect(begun).toHaveLength(5);
    begin(1, 'e');
    await settled();
    expect(begun.at(-1)).toBe('e');
  });
});
