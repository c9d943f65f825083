import { adviceToAdjust } from '../..';

const lash = { low: 280, target: 330, high: 380 };
const screw = { pitch: 1000, ratio: 1.5, side: 'pushrod' as const };

describe('advice to adjust', () => {
  it('turns a screw by its pitch and ratio, the way that opens or closes the gap', () => {
    const entry = { method: 'screw' as const, screw };
    expect(adviceToAdjust(entry, lash, { go: 130, noGo: 155 })).toBe(
      'Back off about 1/8 turn. Locking usually closes the gap a little.',
    );
    expect(adviceToAdjust(entry, lash, { go: 510, noGo: 530 })).toContain(
      'Turn in about 1/8 turn.',
    );
    expect(adviceToAdjust({ method: 'screw' }, lash, { go: 130, noGo: 155 })).toBe(
      'Locking usually closes the gap a little.',
    );
    // A blade that does not enter tells no way to turn by: the gap may be a hair under it.
    expect(adviceToAdjust(entry, lash, { go: 0, noGo: 330 })).toBe(
      'Locking usually closes the gap a little.',
    );
  });

  it('moves a height by its own screw, and says no word of a gap', () => {
    const spec = { low: 63_300, target: 63_500, high: 63_700 };
    const entry = { method: 'screw' as const, measure: 'height' as const, screw };
    const said = adviceToAdjust(entry, spec, { go: 63_245, noGo: 63_255 });
    expect(said).toBe(
      'Raise it by 0.25 mm, about 1/4 turn. Locking may move it: measure again after it.',
    );
  });

  it('never tells turns of a preload', () => {
    const spec = { low: 800, target: 900, high: 1000 };
    const entry = { method: 'preload' as const, screw };
    const said = adviceToAdjust(entry, spec, { go: 1095, noGo: 1105 });
    expect(said).toBe('Let off 0.20 N·m. Pull slowly to the value, then lock.');
  });

  it('loosens the clamp of an eccentric, which has no turns to count', () => {
    const said = adviceToAdjust({ method: 'eccentric' }, lash, { go: 130, noGo: 155 });
    expect(said).toMatch(/^Loosen the clamp/);
  });
});
