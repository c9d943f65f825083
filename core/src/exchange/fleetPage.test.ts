import { readFleetPage } from '..';

const unit = (serial: unknown, hours?: unknown, datetime: unknown = '2026-11-20T06:00:00Z') => ({
  EquipmentHeader: { OEMName: 'Any', Model: 'Godwit 6U', SerialNumber: serial },
  ...(hours !== undefined && { CumulativeOperatingHours: { Hour: hours, datetime } }),
});

describe('a page of a fleet', () => {
  it('tells serial numbers, instants and hours, whatever the case of its names', () => {
    const page = readFleetPage({
      snapshotTime: '2026-11-20T07:00:00Z',
      Links: [
        { rel: 'Self', href: '/Fleet/1' },
        { rel: 'Next', href: '/Fleet/2' },
      ],
      Equipment: [unit('S-1', 812.46), unit(17, '0990.5', '2026-11-20T08:00:00+02:00')],
    });
    expect(page).toEqual({
      readings: [
        { serial: 'S-1', model: 'Godwit 6U', at: '2026-11-20T06:00:00.000Z', hours: 812.5 },
        { serial: '17', model: 'Godwit 6U', at: '2026-11-20T06:00:00.000Z', hours: 990.5 },
      ],
      next: '/Fleet/2',
      unread: [],
    });
    const small = { equipment: [{ equipmentHeader: { serialNumber: 'S-1' } }] };
    expect(readFleetPage(small)).toEqual({ readings: [], next: undefined, unread: [] });
  });

  it('is the same where XML was made into objects, with one unit or many', () => {
    const one = readFleetPage({ Fleet: { snapshotTime: 'now', Equipment: unit('S-1', '5') } });
    expect(one?.readings).toMatchObject([{ serial: 'S-1', hours: 5 }]);
    expect(readFleetPage({ Fleet: { snapshotTime: 'now' } })?.readings).toEqual([]);
  });

  it('names each unit that cannot be read, and reads the others', () => {
    const page = readFleetPage({
      Equipment: [
        unit('S-1', 'many'),
        unit('S-2', 4, 'yesterday'),
        unit('', 4),
        unit('S-4', -1),
        { EquipmentHeader: { EquipmentID: 'Loader' }, CumulativeOperatingHours: { Hour: 3 } },
        'nothing',
        unit('S-7', 7),
      ],
    });
    expect(page?.readings.map(({ serial }) => serial)).toEqual(['S-7']);
    expect(page?.unread.slice(0, 2)).toEqual(['S-1', 'S-2']);
    expect(page?.unread).toHaveLength(6);
    expect(page?.unread).toContain('Loader');
  });

  it('is undefined where it is no fleet', () => {
    for (const other of [undefined, null, 'page', 4, [], {}, { html: {} }, { Equipment: 5 }]) {
      expect(readFleetPage(other)).toBeUndefined();
    }
  });
});
