import { OutsideError } from '../outgoing/askOutside';
import { isPublic } from '../outgoing/isPublic';
import { askFleet } from './askFleet';
import type { StandInUnit } from './standIn';
import { FleetStandIn } from './standIn';

const at = '2026-11-20T06:00:00.000Z';
const units: StandInUnit[] = Array.from({ length: 7 }, (_, i) => ({
  serial: `00${i}`,
  model: 'Godwit 6U',
  hours: 100.5 + i,
  at,
}));
let standIn: FleetStandIn;
beforeAll(async () => {
  standIn = await FleetStandIn.start(() => units);
});
afterAll(() => standIn.stop());

/** It waits for an answer as long as it takes, except where none is to come. */
const ask = (path: string, key = standIn.key, reach = { anywhere: true }) =>
  askFleet({ address: `${standIn.origin}${path}`, key }, reach, {
    within: path.endsWith('slow') ? 500 : 60_000,
  });

describe('asking a fleet for its hours', () => {
  it('gets all of it, page after page, from JSON and from XML alike', async () => {
    const told = units.map(({ serial, hours }) => ({ serial, hours, at, model: 'Godwit 6U' }));
    expect(await ask('/fleet')).toEqual({ readings: told, unread: [] });
    expect(await ask('/fleet.xml')).toEqual({ readings: told, unread: [] });
    expect((await ask('/fleet.xml?fault=twice')).readings).toHaveLength(14);
    const [first] = (await ask('/fleet?fault=wrong-order')).readings;
    expect(first?.at).toBe('2026-11-19T06:00:00.000Z');
  });

  it.each([
    ['/fleet?fault=slow', /No whole answer came within 0.5 s/],
    ['/fleet?fault=refused', /refused the key/],
    ['/fleet?fault=broken', /error 500/],
    ['/fleet?fault=cut-off', /cut off/],
    ['/fleet.xml?fault=cut-off', /cut off/],
    ['/fleet?fault=circle', /round in a circle/],
    ['/nowhere', /error 404/],
  ])('says what is wrong with %s, and takes nothing of it', async (path, says) => {
    const asked = ask(path);
    await expect(asked).rejects.toThrow(says);
    await expect(asked).rejects.toBeInstanceOf(OutsideError);
  });

  it('is refused without its key, and asks nothing of its own network unless that is allowed', async () => {
    await expect(ask('/fleet', 'other')).rejects.toThrow(/refused the key/);
    await expect(ask('/fleet', standIn.key, { anywhere: false })).rejects.toThrow(/own network/);
    const named = standIn.origin.replace('127.0.0.1', 'localhost');
    await expect(askFleet({ address: `${named}/fleet`, key: '' }, {})).rejects.toThrow(
      /own network/,
    );
    const allowed = { origins: new Set([standIn.origin]) };
    const { readings } = await askFleet(
      { address: `${standIn.origin}/fleet`, key: standIn.key },
      allowed,
    );
    expect(readings).toHaveLength(7);
    for (const address of ['file:///etc/passwd', 'nonsense', 'http://a:b@example.org/']) {
      await expect(askFleet({ address, key: '' }, {})).rejects.toBeInstanceOf(OutsideError);
    }
  });
});

describe('a public address', () => {
  it.each([
    ['20.30.40.50', true],
    ['2a00::1234', true],
    ['127.0.0.1', false],
    ['10.1.2.3', false],
    ['172.31.0.1', false],
    ['192.168.1.1', false],
    ['169.254.169.254', false],
    ['100.64.0.1', false],
    ['0.0.0.0', false],
    ['::1', false],
    ['::', false],
    ['::ffff:127.0.0.1', false],
    ['::ffff:20.30.40.50', false],
    ['fe80::1', false],
    ['fd00::1', false],
    ['64:ff9b::7f00:1', false],
    ['name', false],
  ])('%s: %s', (address, expected) => {
    expect(isPublic(address)).toBe(expected);
  });
});
