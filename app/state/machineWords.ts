import type { MachineDetail, MachineLine, SheetDetail } from '@longbar/core';
import { addedMachine, changedMachine, machineRead } from '@longbar/core';
import type { PayloadAction } from '@reduxjs/toolkit';
import { createSlice } from '@reduxjs/toolkit';
import type { MachineWord } from '../phone/phoneDatabase';

const initialState: { waiting: MachineWord[] } = { waiting: [] };

/** What was said of machines on this phone and the server has not been told yet, in order. */
const machineWords = createSlice({
  name: 'machineWords',
  initialState,
  reducers: {
    machineWordsKept(state, { payload }: PayloadAction<MachineWord[]>) {
      state.waiting = payload;
    },
  },
});

export const { machineWordsKept } = machineWords.actions;
export const machineWordsReducer = machineWords.reducer;

/** The machine that is spoken of. */
export function machineOf(word: MachineWord): string {
  return word.kind === 'machine' ? word.machine.id : word.machine;
}

/** The sheets that must be known to show what was said: of new machines, and those swapped to. */
export function sheetsSpokenOf(words: readonly MachineWord[]): string[] {
  const named = words.flatMap((word) => {
    if (word.kind === 'machine') return [word.machine.sheet];
    return word.kind === 'change' && word.patch.sheet !== undefined ? [word.patch.sheet] : [];
  });
  return [...new Set(named)];
}

type SheetBy = (id: string) => SheetDetail | undefined;

/**
 * A machine with what was said of it on this phone; undefined where it is not known, or its sheet
 * is not.
 */
export function machineWithWords(
  machine: MachineDetail | undefined,
  words: readonly MachineWord[],
  sheetBy: SheetBy,
  today: string,
): MachineDetail | undefined {
  return words.reduce<MachineDetail | undefined>((known, word) => {
    if (word.kind === 'machine') {
      const sheet = sheetBy(word.machine.sheet);
      // The server's own answer is newer than what was typed when it was added.
      return known ?? (sheet && addedMachine(word.machine, sheet, today));
    }
    if (!known) return undefined;
    if (word.kind === 'hours') return machineRead(known, word.reading, today);
    const { patch } = word;
    const sheet = patch.sheet === undefined ? undefined : sheetBy(patch.sheet);
    return changedMachine(known, patch, sheet, today);
  }, machine);
}

/** The yard with what was said of its machines on this phone; `machineBy` knows those seen. */
export function yardWithWords(
  lines: readonly MachineLine[],
  words: readonly MachineWord[],
  machineBy: (id: string) => MachineDetail | undefined,
  sheetBy: SheetBy,
  today: string,
): MachineLine[] {
  const spoken = [...new Set(words.map(machineOf))];
  const changed = new Map(
    spoken.flatMap((id) => {
      const own = words.filter((word) => machineOf(word) === id);
      const machine = machineWithWords(machineBy(id), own, sheetBy, today);
      return machine ? [[id, machine] as const] : [];
    }),
  );
  const known = new Set(lines.map(({ id }) => id));
  const added = [...changed.values()].filter(({ id }) => !known.has(id));
  return [...lines.map((line) => changed.get(line.id) ?? line), ...added].filter(
    ({ retired }) => !retired,
  );
}
