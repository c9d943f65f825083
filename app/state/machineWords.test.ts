import type { MachineDetail, SheetDetail } from '@longbar/core';
import { addedMachine } from '@longbar/core';
import { inlineSix } from '../../core/test-support/engines';
import type { MachineWord } from '../phone/phoneDatabase';
import { machineWithWords, sheetsSpokenOf, yardWithWords } from './machineWords';

const TODAY = '2026-05-02';
const [ONE, OTHER, SHEET] = ['one', 'other', 'sheet'];
const sheet = { id: SHEET, revision: 1, document: inlineSix() } as SheetDetail;
const sheetBy = (id: string) => (id === SHEET ? sheet : undefined);
const added = (id: string, name: string): MachineWord => ({
  kind: 'machine',
  machine: { id, name, sheet: SHEET },
});
const change = (machine: string, patch: object): MachineWord => ({
  kind: 'change',
  machine,
  patch,
});
const known = addedMachine({ id: ONE, name: 'Pump', sheet: SHEET }, sheet, TODAY);
const machineBy = (id: string): MachineDetail | undefined => (id === ONE ? known : undefined);
const yard = (...words: MachineWord[]) =>
  yardWithWords([known], words, machineBy, sheetBy, TODAY).map(({ name, hours }) => [
    name,
    hours?.hours,
  ]);

describe('what was said of machines on this phone', () => {
  it('shows a machine that was added here, read and renamed before the server knows', () => {
    const read: MachineWord = {
      kind: 'hours',
      machine: OTHER,
      reading: { date: TODAY, hours: 7 },
    };
    expect(yard(added(OTHER, 'Skiff'), read, change(OTHER, { name: 'Boat' }))).toEqual([
      ['Pump', undefined],
      ['Boat', 7],
    ]);
  });

  it('takes a retired machine out of the yard, and no other', () => {
    expect(yard(change(ONE, { retired: true }))).toEqual([]);
    expect(yard(change(OTHER, { retired: true }))).toEqual([['Pump', undefined]]);
  });

  it('does not add anew what the server has kept meanwhile', () => {
    const answer = { ...known, name: 'Pump 2' };
    const words = [added(ONE, 'Pump')];
    expect(machineWithWords(answer, words, sheetBy, TODAY)?.name).toBe('Pump 2');
    expect(machineWithWords(undefined, words, sheetBy, TODAY)?.name).toBe('Pump');
    expect(machineWithWords(undefined, words, () => undefined, TODAY)).toBeUndefined();
  });

  it('names the sheets that must be known for it', () => {
    const words = [added(ONE, 'Pump'), change(ONE, { sheet: 'two' }), change(ONE, { place: 'x' })];
    expect(sheetsSpokenOf(words)).toEqual([SHEET, 'two']);
  });
});
