// Imported before all else, it gives a process a clock of its own, up to two hours off by its number:
// as processes on several machines have whose clocks nobody sets.
import { shiftDate } from './shiftDate.mjs';

const AN_HOUR = 3_600_000;
shiftDate(((process.pid % 5) - 2) * AN_HOUR);
