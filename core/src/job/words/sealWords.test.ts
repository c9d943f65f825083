import { sealWords } from '../..';

const seal = '0430bbd1'.repeat(8);
const key = '3f2a91c077aa0b12'.repeat(4);
const signature = {
  words: {
    format: 'longbar.signature/1' as const,
    job: {
      id: '00000000-0000-4000-8000-000000000001',
      machine: '00000000-0000-4000-8000-000000000002',
      method: 'each' as const,
      sheetRevision: 1,
      at: '2026-05-02T08:00:00.000Z',
      by: 'Ina',
    },
    machine: 'Barge',
    seal,
    name: 'Ina',
    at: '2026-05-02T11:00:00.000Z',
  },
  key,
  signature: '0'.repeat(128),
};

describe('what is said of a seal', () => {
  it('names the hash, whole or broken, and is grave only where it is broken', () => {
    expect(sealWords({ seal, holds: true, signature: null, hands: [] })).toEqual([
      { text: `Sealed: its events are those that were signed. ${seal}`, grave: false },
      { text: expect.stringContaining('No phone’s key has signed it'), grave: false },
    ]);
    const [broken] = sealWords({ seal, holds: false, signature: null, hands: [] });
    expect(broken).toMatchObject({ grave: true, text: expect.stringContaining(seal) });
    expect(broken?.text).toContain('not those that were signed');
  });

  it('names whose key signed it by its fingerprint, and is grave where that does not fit', () => {
    const said = (fits: boolean) =>
      sealWords({ seal, holds: true, signature: { ...signature, fits }, hands: [] })[1];
    expect(said(true)?.text).toMatch(
      /^Signed by the key of Ina’s phone, .*: 3f2a\s91c0\s77aa\s0b12\.$/,
    );
    expect(said(false)).toMatchObject({ grave: true, text: expect.stringContaining('Ina’s name') });
  });

  it('says whose names were used on others’ phones', () => {
    const hands = [
      { by: 'Ina', phone: 'Tam', entries: 12 },
      { by: 'Orla', phone: 'Tam', entries: 1 },
    ];
    const said = sealWords({ seal, holds: true, signature: null, hands }).slice(2);
    expect(said.map(({ text }) => text)).toEqual([
      '12 entries in Ina’s name came from Tam’s phone.',
      'One entry in Orla’s name came from Tam’s phone.',
    ]);
  });

  it('is nothing while no signature counts', () => {
    expect(sealWords({ seal: null, holds: false, signature: null, hands: [] })).toEqual([]);
  });
});
