import type { Progress, RockerLook } from '..';
import { rockerShapes } from '..';

const day = {
  act: '#B0440A',
  actTint: '#F7DFCF',
  dab: '#E2A400',
  ink: '#1B2427',
  line: '#C8C0AE',
  shade: '#D8D2C2',
  sheet: '#FAF7F0',
  stop: '#9B1C2C',
};

const plain: RockerLook = { here: false, onLobe: false, progress: 'none', selected: false };
const shapes = (look: Partial<RockerLook> = {}) => rockerShapes({ ...plain, ...look }, day);
const fills = (look: Partial<RockerLook>) => shapes(look).map(({ fill }) => fill);

describe('a rocker', () => {
  it('stands out where it may be set, in line and in fill', () => {
    expect(fills({ here: true })).toContain(day.actTint);
    expect(shapes({ here: true }).some(({ stroke }) => stroke === day.act)).toBe(true);
    expect(shapes().some(({ stroke }) => stroke === day.act)).toBe(false);
  });

  it('goes down on its lobe, all of it but what it stands on', () => {
    expect(shapes().every(({ down }) => down === 0)).toBe(true);
    const pushed = shapes({ onLobe: true });
    expect(pushed.filter(({ down }) => down === 0)).toHaveLength(1);
    expect(pushed).toHaveLength(shapes().length + 1);
    expect(fills({ onLobe: true, here: true })).toContain(day.shade);
  });

  it('is told apart by how far it has come, without any colour', () => {
    const all: Progress[] = ['none', 'found', 'locked', 'painted', 'unset'];
    const outlines = all.map((progress) =>
      shapes({ progress })
        .map(({ d, fill }) => `${d} ${fill === undefined || fill === day.sheet}`)
        .join(),
    );
    expect(new Set(outlines).size).toBe(all.length);
  });

  it('is drawn heavier where it is chosen', () => {
    const heaviest = (look: Partial<RockerLook>) =>
      Math.max(...shapes(look).map(({ weight = 0 }) => weight));
    expect(heaviest({ selected: true })).toBeGreaterThan(heaviest({ here: true }));
    expect(heaviest({ here: true })).toBeGreaterThan(heaviest({}));
  });
});
