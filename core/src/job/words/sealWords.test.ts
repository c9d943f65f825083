import { sealWords } from '../..';

const seal = '0430bbd1'.repeat(8);

describe('what is said of a seal', () => {
  it('names the hash, whole or broken, and is grave only where it is broken', () => {
    expect(sealWords({ seal, holds: true })).toEqual({
      text: `Sealed: its events are those that were signed. ${seal}`,
      grave: false,
    });
    const broken = sealWords({ seal, holds: false });
    expect(broken?.grave).toBe(true);
    expect(broken?.text).toContain('not those that were signed');
    expect(broken?.text).toContain(seal);
  });

  it('is nothing while no signature counts', () => {
    expect(sealWords({ seal: null, holds: false })).toBeUndefined();
  });
});
