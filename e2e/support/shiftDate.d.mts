export function shiftDate(later: number): void;
