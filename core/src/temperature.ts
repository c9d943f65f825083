import { unitsShown } from './shownAs';

const degrees = new Intl.NumberFormat('en', { maximumFractionDigits: 1 });

/**
 * A temperature in both units.
 *
 * @example formatTemperature(20) // '20 °C (68 °F)'
 */
export function formatTemperature(celsius: number): string {
  const both = [`${degrees.format(celsius)} °C`, `${degrees.format(inFahrenheit(celsius))} °F`];
  if (unitsShown().temperature === '°F') both.reverse();
  return `${both[0]} (${both[1]})`;
}

/** °C in °F. */
export function inFahrenheit(celsius: number): number {
  return celsius * 1.8 + 32;
}

/** °F in °C. */
export function fromFahrenheit(fahrenheit: number): number {
  return (fahrenheit - 32) / 1.8;
}
