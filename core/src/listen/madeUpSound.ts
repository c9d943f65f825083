import type { AdjusterKind } from '../engine/kinds';
import { adjustersOf } from '../engine/adjusters';
import { cycleDegrees, firingOf, firingTdc } from '../engine/firing';
import { lobeOf } from '../engine/lobes';
import type { EngineSheet } from '../engine/sheet';
import { SeededRandom } from '../seededRandom';
import type { Sound } from './sound';
import { CLIP_SECONDS, SOUND_RATE } from './sound';

export type MadeUp = {
  /** Engine speed, 1/min. */
  speed: number;
  /** The gap of each valve that is not at its target, µm, by adjuster. */
  gaps?: Readonly<Record<string, number>>;
  /** What is heard beside the engine, dB against it; a quiet shop unless said. */
  noise?: number;
  /** How far from the engine the phone is held, dB, and how much duller it sounds from there. */
  away?: { quieter: number; duller: number };
  seconds?: number;
  /** The engine's own voice: the same seed is the same engine. */
  engine: number;
  /** What differs between two clips of one engine. */
  clip: number;
};

/** One thing that knocks once a cycle: when, how loud and with which ring. */
type Knock = { at: number; loud: number; ring: Float32Array; scatter: number };

/**
 * What a phone hears of an engine at idle, made up: the combustion of each cylinder, injectors,
 * every valve as it opens and closes (the louder, the wider its gap), a fan, gears, other noise and
 * steps, the walls, and a phone's microphone. Four-strokes and two-strokes whose valves have lobes.
 *
 * @example madeUpSound(six, { speed: 640, gaps: { 'intake.3': 700 }, engine: 1, clip: 1 }).length // 240000
 */
export function madeUpSound(sheet: EngineSheet, made: MadeUp): Sound {
  const chance = new SeededRandom(made.clip * 7919 + 17);
  const length = Math.round((made.seconds ?? CLIP_SECONDS) * SOUND_RATE);
  const engine = new Float32Array(length);
  const knocks = knocksOf(sheet, made);
  const cycle = cycleDegrees(sheet);
  const clock = wandering(made.speed * (6 / SOUND_RATE), cycle, length, chance);
  for (let turn = 0; ; turn++) {
    const start = clock(turn);
    if (start >= length) break;
    const next = clock(turn + 1);
    for (const { at, loud, ring, scatter } of knocks) {
      const place = start + ((next - start) * (at + chance.normal() * 0.7)) / cycle;
      strike(engine, place, loud * decibels(chance.normal() * scatter), ring);
    }
  }
  const level = loudness(engine);
  addSurroundings(engine, level * decibels(made.noise ?? -24), made, chance);
  addSteps(engine, level, chance);
  return asPhoneHears(engine, made.away ?? { quieter: 0, duller: 0 }, chance);
}

const VALVES: readonly AdjusterKind[] = ['intake', 'exhaust'];

/** The most that a wide gap adds to a tick, dB; a gap of twice the target adds two thirds of it. */
const LOUDEST = 24;

function knocksOf(sheet: EngineSheet, { gaps = {}, engine }: MadeUp): Knock[] {
  const chance = new SeededRandom(engine * 104_729 + 5);
  const firing = firingOf(sheet);
  const thump = ringOf(chance, [420, 900, 1500, 2300, 3400], 0.004);
  const click = ringOf(chance, [3200, 4700, 6400], 0.0008);
  const cover = ringOf(chance, [1900, 2900, 4100, 5600, 7300], 0.0016);
  const clickLoud = decibels(-10 + chance.normal() * 2);
  const valveLoud = decibels(-15 + chance.normal() * 2);
  const knocks: Knock[] = [];
  for (const cylinder of firing.order) {
    const tdc = firingTdc(firing, cylinder);
    knocks.push({ at: tdc + 6, loud: decibels(chance.normal() * 1.5), ring: thump, scatter: 1.5 });
    const loud = clickLoud * decibels(chance.normal());
    knocks.push({ at: tdc - 8, loud, ring: click, scatter: 1 });
  }
  for (const { id, kind, cylinder, entry } of adjustersOf(sheet)) {
    const lobe = VALVES.includes(kind) ? lobeOf(sheet, entry.lobe ?? kind) : undefined;
    if (!lobe) continue;
    const target = entry.spec?.target ?? 300;
    const wider = Math.max(0, (gaps[id] ?? target) - target) / Math.max(200, target);
    const loud = valveLoud * decibels(chance.normal() + LOUDEST * (1 - Math.exp(-wider)));
    const tdc = firingTdc(firing, cylinder);
    const opening = decibels(-9 + chance.normal() * 1.5);
    knocks.push({ at: tdc + lobe.closes, loud, ring: cover, scatter: 1.5 });
    knocks.push({ at: tdc + lobe.opens, loud: loud * opening, ring: cover, scatter: 1.5 });
  }
  return knocks;
}

/** A ring of several tones that dies away in about so many seconds. */
function ringOf(chance: SeededRandom, tones: readonly number[], dies: number): Float32Array {
  const own = tones.map((tone) => ({
    turn: (2 * Math.PI * tone * (1 + chance.normal() * 0.08)) / SOUND_RATE,
    loud: decibels(chance.normal() * 3),
    phase: chance.next() * 6.3,
    dies: dies * SOUND_RATE * (0.7 + chance.next() * 0.6),
  }));
  return Float32Array.from({ length: Math.ceil(dies * 6 * SOUND_RATE) }, (_, i) => {
    const rise = Math.min(1, (i + 1) / 4);
    return own.reduce(
      (sum, { turn, loud, phase, dies: life }) =>
        sum + rise * loud * Math.exp(-i / life) * Math.sin(turn * i + phase),
      0,
    );
  });
}

/** When each cycle begins, in samples: idle wanders a little, by itself and from cycle to cycle. */
function wandering(
  degreesPerSample: number,
  cycle: number,
  length: number,
  chance: SeededRandom,
): (turn: number) => number {
  const starts = [-chance.next() * (cycle / degreesPerSample)];
  let drift = 0;
  for (let turn = 1; (starts[turn - 1] ?? length) < length; turn++) {
    drift = drift * 0.97 + chance.normal() * 0.0015;
    const stretch = 1 + drift + chance.normal() * 0.001;
    starts.push((starts[turn - 1] ?? 0) + (cycle / degreesPerSample) * stretch);
  }
  return (turn) => starts[turn] ?? length + (cycle / degreesPerSample) * (turn - starts.length + 1);
}

function strike(into: Float32Array, at: number, loud: number, ring: Float32Array): void {
  const start = Math.round(at);
  for (let i = Math.max(0, -start); i < ring.length && start + i < into.length; i++) {
    into[start + i] = (into[start + i] ?? 0) + loud * (ring[i] ?? 0);
  }
}

function loudness(sound: Float32Array): number {
  let sum = 0;
  for (const sample of sound) sum += sample * sample;
  return Math.sqrt(sum / sound.length);
}

/** Rumble and hiss, a fan and gears, and the echo of two walls. */
function addSurroundings(
  sound: Float32Array,
  level: number,
  { speed, engine }: Pick<MadeUp, 'speed' | 'engine'>,
  chance: SeededRandom,
): void {
  // The same shop both times, heard from about the same place.
  const shop = new SeededRandom(engine);
  const near = Math.round(shop.whole(100, 500) * (1 + chance.normal() * 0.03));
  const far = Math.round(shop.whole(500, 1200) * (1 + chance.normal() * 0.03));
  const fan = (2 * Math.PI * (speed / 60) * 7) / SOUND_RATE;
  const gears = (2 * Math.PI * (speed / 60) * 31) / SOUND_RATE;
  let rumble = 0;
  for (let i = 0; i < sound.length; i++) {
    const hiss = (chance.next() * 2 - 1) * 1.7;
    rumble = rumble * 0.97 + hiss * 0.24;
    const tones = 0.5 * Math.sin(fan * i) + 0.3 * Math.sin(gears * i);
    const echo = 0.08 * (sound[i - near] ?? 0) + 0.05 * (sound[i - far] ?? 0);
    sound[i] = (sound[i] ?? 0) + echo + level * (rumble + 0.35 * hiss + tones);
  }
}

/** Steps, a dropped spanner: now and then, and no part of the engine. */
function addSteps(sound: Float32Array, level: number, chance: SeededRandom): void {
  const ring = ringOf(chance, [700, 1800, 3900, 6100], 0.012);
  for (let i = chance.whole(0, 4); i > 0; i--) {
    strike(sound, chance.next() * sound.length, level * decibels(chance.normal() * 4 + 6), ring);
  }
}

/** No deep bass, duller and quieter from further off, its gain kept by itself, 16 bits. */
function asPhoneHears(
  sound: Float32Array,
  { quieter, duller }: { quieter: number; duller: number },
  chance: SeededRandom,
): Sound {
  const heard = new Float32Array(sound.length);
  const loud = (0.12 / (loudness(sound) || 1)) * decibels(-quieter);
  const tilt = decibels(-duller) - 1;
  let [bass, low, gain] = [0, 0, 1];
  for (let i = 0; i < sound.length; i++) {
    const raw = (sound[i] ?? 0) * loud;
    bass += (raw - bass) * 0.03;
    const clear = raw - bass;
    low += (clear - low) * 0.4;
    const dulled = clear + tilt * (clear - low);
    gain += (Math.min(1.6, 0.25 / (Math.abs(dulled) + 0.16)) - gain) * 0.00002;
    const out = Math.tanh(dulled * gain) + (chance.next() - 0.5) * 0.001;
    heard[i] = Math.round(Math.max(-1, Math.min(1, out)) * 32767) / 32767;
  }
  return heard;
}

function decibels(more: number): number {
  return 10 ** (more / 20);
}
