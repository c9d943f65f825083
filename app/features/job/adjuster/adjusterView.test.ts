import { adjusterView } from './adjusterView';

const spec = { low: 280, target: 330, high: 380 };
const reading = (go: number, noGo: number | null) => ({ go, noGo, how: 'go-no-go' as const });
const locked = { how: 'torque' as const, torque: 46, by: 'Ina' };
const view = (state: Parameters<typeof adjusterView>[0], phase: 'found' | 'again' = 'found') =>
  adjusterView(state, { spec }, 'leave-inside', phase);

describe('what the panel of an adjuster shows', () => {
  it('reads as found until that is settled, then offers to leave or to lock', () => {
    expect(view(undefined)).toEqual({ reads: 'found', offers: 'nothing' });
    expect(view({ found: reading(250, null) })).toMatchObject({
      reads: 'found',
      offers: 'nothing',
    });
    expect(view({ found: reading(260, 300) })).toMatchObject({ offers: 'unsettled' });
    expect(view({ found: reading(300, 350) })).toMatchObject({ reads: 'found', offers: 'keep' });
    expect(view({ found: reading(200, 250) })).toMatchObject({ reads: 'found', offers: 'lock' });
  });

  it('offers to lock what was loosened, whatever was read before', () => {
    const set = reading(300, 350);
    expect(view({ set })).toEqual({ offers: 'lock' });
    expect(view({ found: reading(300, 350), set })).toEqual({ offers: 'lock' });
    expect(view({ found: reading(300, 350), apart: true })).toEqual({ offers: 'lock' });
    expect(view({ found: reading(200, 250), set })).toMatchObject({ reads: 'found' });
  });

  it('reads as left after the lock, and offers the dab only when that is inside', () => {
    const found = reading(200, 250);
    expect(view({ found, locked })).toEqual({ reads: 'left', offers: 'nothing' });
    expect(view({ found, locked, left: reading(250, 280) })).toMatchObject({ offers: 'lock' });
    expect(view({ found, locked, left: reading(300, 350) })).toMatchObject({ offers: 'paint' });
    expect(view({ found, locked, left: reading(300, 350), painted: true })).toMatchObject({
      offers: 'done',
    });
  });

  it('says which blade to try in the unit that the blades in hand are marked in', () => {
    const why = (
      marked: 'mm' | 'thou',
      state: Parameters<typeof adjusterView>[0],
      phase: 'found' | 'again',
    ) => adjusterView(state, { spec, marked }, 'leave-inside', phase).judgement?.why;
    const found = reading(254, 305);
    const settle = (limit: string) =>
      `Not settled yet: try ${limit}. The blade on either side of it decides.`;
    expect(why('mm', { found }, 'found')).toBe(settle('0.28 mm'));
    expect(why('thou', { found }, 'found')).toBe(settle('11 thou'));
    const done = { found: reading(305, 330), kept: true, painted: true as const };
    expect(why('thou', { ...done, again: reading(356, 406) }, 'again')).toBe(settle('15 thou'));
    expect(why('thou', { found: reading(203, 229) }, 'found')).toBe(
      'Tight: 9 thou does not enter, the limit is 11 thou. Bring it to 13 thou.',
    );
  });

  it('reads a bucket on from the other side before its shim, as found, fitted and on the round', () => {
    const bucket = (
      state: Parameters<typeof adjusterView>[0],
      phase: 'found' | 'again' = 'found',
    ) => adjusterView(state, { spec, method: 'shim' }, 'leave-inside', phase);
    const why = expect.stringContaining('try thicker blades until one does not enter');
    const readsOn = (reads: string) => ({ reads, offers: 'nothing', judgement: { why } });
    const [open, found] = [reading(390, null), reading(200, 250)];
    const fitted = { found, shim: 2600, fitted: 2500 };
    expect(bucket({ found: open })).toMatchObject(readsOn('found'));
    expect(bucket({ ...fitted, left: open })).toMatchObject(readsOn('left'));
    const done = { ...fitted, left: reading(300, 350), painted: true as const };
    expect(bucket({ ...done, again: open }, 'again')).toMatchObject(readsOn('again'));
    expect(bucket({ ...done, again: reading(390, 440) }, 'again')).toMatchObject({
      judgement: { why: expect.stringContaining('Bring it to 0.33 mm') },
    });
    expect(bucket({ found: reading(250, 300) })).toMatchObject({ offers: 'unsettled' });
    expect(bucket({ found: reading(140, 280) })).toMatchObject({
      offers: 'shim',
      closer: expect.stringContaining('±0.07 mm'),
    });
  });

  it('reads nothing over a stand-in', () => {
    expect(view({ found: reading(300, 350), fitted: null })).toEqual({ offers: 'nothing' });
  });

  it('reads a finished one once more on the round, and offers to lock what is outside', () => {
    const done = { found: reading(300, 350), kept: true, painted: true };
    expect(view(done, 'again')).toEqual({ reads: 'again', offers: 'nothing' });
    expect(view({ ...done, again: reading(300, 350) }, 'again')).toMatchObject({
      offers: 'nothing',
    });
    expect(view({ ...done, again: reading(200, 250) }, 'again')).toMatchObject({ offers: 'lock' });
    expect(view({ ...done, painted: false, locked }, 'again')).toMatchObject({ reads: 'left' });
  });
});
