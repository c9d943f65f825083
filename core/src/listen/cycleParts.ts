import { median, quantile } from '../statistics';
import { present } from '../present';
import { LOOKS } from './spectrogram';

/** How an engine ran: its speed in 1/min, and how often it fires alike in a cycle of so many turns. */
export type Going = { speed: number; steps: number; turns: number };

/**
 * A cycle in bins, dB: as loud as it mostly was; how loud it usually is at that place of a step; and
 * how loud in the quietest step, which is what is left where most of the steps tick.
 */
export type OneCycle = { heard: number[]; usual: number[]; least: number[] };

/** How far two places of a cycle are apart, as a part of it: 0 to 0.5, the shorter way round. */
export function partsApart(one: number, other: number): number {
  const way = onTo(one, other);
  return Math.min(way, 1 - way);
}

/** From one place of a cycle on to the other, as a part of it: 0 up to, not including, 1. */
export function onTo(one: number, other: number): number {
  const way = other - one;
  return way - Math.floor(way);
}

/** A bin is at least so long, looks: a tick rings for about two. */
const BIN = 1.6;
const LEAST_BINS = 5;
/** Fewer cycles than this tell nothing. */
const LEAST_CYCLES = 15;

/**
 * One cycle of a loudness, each bin the median over all cycles, beside what is usual there after
 * any firing. Undefined where there are too few cycles.
 */
export function oneCycle(
  loudness: Float64Array,
  passed: Float64Array,
  { speed, steps, turns }: Going,
): OneCycle | undefined {
  const looks = (60 * turns * LOOKS) / speed;
  const perStep = Math.max(LEAST_BINS, Math.floor(looks / steps / BIN));
  const bins = perStep * steps;
  const first = Math.ceil(passed[0] ?? 0);
  const last = Math.floor(passed.at(-1) ?? 0);
  if (last - first < LEAST_CYCLES) return undefined;
  const cycles = Array.from({ length: last - first }, () => new Float64Array(bins).fill(-Infinity));
  passed.forEach((cycle, look) => {
    const own = cycles[Math.floor(cycle) - first];
    if (!own) return;
    const bin = Math.floor((cycle - Math.floor(cycle)) * bins);
    own[bin] = Math.max(own[bin] ?? -Infinity, loudness[look] ?? -Infinity);
  });
  const heard = Array.from({ length: bins }, (_, bin) =>
    median(cycles.map((cycle) => cycle[bin] ?? -Infinity).filter(Number.isFinite)),
  );
  return { heard, ...acrossSteps(heard, perStep) };
}

/**
 * What the steps have in common at each place. `usual` is a low figure among them: a tick of nearly
 * half the steps does not raise it. The bins beside a place count as the same place, because
 * cylinders fire a little early or late.
 */
function acrossSteps(heard: readonly number[], perStep: number): Pick<OneCycle, 'usual' | 'least'> {
  const steps = heard.length / perStep;
  const wrapped = (bin: number) => present(heard.at(bin % heard.length));
  const places = Array.from({ length: perStep }, (_, place) =>
    Array.from({ length: steps }, (_each, step) => {
      const bin = step * perStep + place;
      return Math.max(wrapped(bin - 1), wrapped(bin), wrapped(bin + 1));
    }).sort((one, other) => one - other),
  );
  const share = steps > 3 ? 0.4 : 0.5;
  const everywhere = (of: (sorted: number[]) => number) =>
    heard.map((_, bin) => of(present(places[bin % perStep])));
  return {
    usual: everywhere((sorted) => quantile(sorted, share)),
    least: everywhere((sorted) => present(sorted[0])),
  };
}
