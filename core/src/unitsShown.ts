/** Which unit comes first where a figure is shown in two. */
export type Units = { length: 'mm' | 'thou'; torque: 'N·m' | 'lb·ft'; temperature: '°C' | '°F' };

export const USUAL_UNITS: Units = { length: 'mm', torque: 'N·m', temperature: '°C' };

let shown = USUAL_UNITS;

/**
 * Says by which units this program shows its figures, as the platform says by which language and
 * time zone. It changes words only: nothing is computed, kept or compared by it.
 */
export function showUnits(units: Units | undefined): void {
  shown = units ?? USUAL_UNITS;
}

/** The units in force. */
export function unitsShown(): Units {
  return shown;
}
