import { isRefused } from '@longbar/core';
import type { MachineDetail } from '@longbar/core';
import { EMPTY, patchBetween, readMachine, typedFrom } from './typedMachine';

const ID = '00000000-0000-4000-8000-000000000001';
const SHEET = '00000000-0000-4000-8000-000000000002';
const TODAY = '2026-05-02';
const typed = { ...EMPTY, name: ' Skiff ', sheet: SHEET };
const read = (more: Partial<typeof EMPTY>) => readMachine({ ...typed, ...more }, ID, TODAY);

describe('a machine as it is typed', () => {
  it('is sent with what was given, figures as people write them', () => {
    expect(read({ hoursThen: '1,204', hoursAYear: '600', hours: '1,210.5', tag: ' ' })).toEqual({
      machine: { id: ID, name: 'Skiff', sheet: SHEET, hoursThen: 1204, hoursAYear: 600 },
      hours: { date: TODAY, hours: 1210.5 },
    });
  });

  it('names each field that is wrong, and none that is empty', () => {
    const paths = (more: Partial<typeof EMPTY>) => {
      const answer = read(more);
      return !isRefused(answer) ? [] : answer.issues.map(({ path }) => path);
    };
    expect(paths({})).toEqual([]);
    expect(paths({ name: '', sheet: '' })).toEqual(['name', 'sheet']);
    expect(paths({ hours: 'many', hoursAYear: '99999' })).toEqual(['hoursAYear', 'hours']);
    expect(paths({ inServiceSince: '2026-05-03' })).toEqual(['inServiceSince']);
  });
});

describe('a machine that is typed over', () => {
  const machine = {
    id: ID,
    name: 'Skiff',
    sheet: { id: SHEET, revision: 1 },
    place: 'Quay',
    baseline: { last: null, breakInDone: false, hoursThen: 4 },
  } as unknown as MachineDetail;
  const before = typedFrom(machine);
  const patch = (more: Partial<typeof EMPTY>) => {
    const answer = readMachine({ ...before, ...more }, ID, TODAY);
    return !isRefused(answer) ? patchBetween(before, answer.machine) : undefined;
  };

  it('sends what changed, and null for what was emptied', () => {
    expect(patch({})).toBeUndefined();
    expect(patch({ place: '', serial: 'S-1', hoursThen: '5' })).toEqual({
      place: null,
      serial: 'S-1',
      hoursThen: 5,
    });
  });
});
