import type { EngineSheet } from '../src';
import { adjustersOf, SeededRandom } from '../src';
import type { Compared, HowMany } from '../src/listen';
import { compareHeard, heardEngine, listen, madeUpSound } from '../src/listen';
import { simulatedEngine } from './simulatedEngines';

/** What is wrong with an engine before: nothing, one valve, several, or all of a kind alike. */
export const LOOSE = ['none', 'one', 'several', 'alike'] as const;
export type Loose = (typeof LOOSE)[number];

/** Two clips of one engine, what they truly hold, and what listening made of them. */
export type SoundPair = { loose: Loose; cylinders: number; told: 'right' | 'abstains' | 'wrong' };

/**
 * One made-up pair of a seed: an engine of 3 to 12 cylinders at idle with nothing, one, two to four
 * or all valves of a kind 0.25 to 0.8 mm too wide, and after: mended, or in one pair of five not.
 * Speed, noise, where the phone is held and what else is heard differ from clip to clip.
 */
export function soundPair(seed: number): SoundPair {
  const chance = new SeededRandom(seed * 31 + 7);
  const sheet = engineWith(seed, chance.one([3, 4, 4, 5, 6, 6, 6, 8, 8, 10, 12]));
  const valves = adjustersOf(sheet).filter(({ kind }) => kind === 'intake' || kind === 'exhaust');
  const loose = chance.one(LOOSE);
  const wider = (of: typeof valves, by: () => number) =>
    Object.fromEntries(of.map(({ id, entry }) => [id, (entry.spec?.target ?? 300) + by()]));
  const some = (many: number) =>
    wider(chance.shuffled(valves).slice(0, many), () => 250 + chance.next() * 550);
  const most = Math.max(2, Math.min(4, valves.length - 2));
  const kind = chance.one(valves).kind;
  const before = {
    none: () => ({}),
    one: () => some(1),
    several: () => some(chance.whole(2, most)),
    alike: () => {
      const by = 300 + chance.next() * 400;
      return wider(
        valves.filter((valve) => valve.kind === kind),
        () => by * (0.85 + chance.next() * 0.3),
      );
    },
  }[loose]();
  // Where all are loose alike both times, nothing stands out of anything.
  const mended = loose === 'alike' || chance.next() < 0.8;
  const speed = 520 + chance.next() * 330;
  const hear = (gaps: Record<string, number>, clip: number) =>
    listen(
      madeUpSound(sheet, {
        speed: speed * (1 + chance.normal() * 0.01),
        gaps,
        noise: -26 + chance.next() * 14,
        away: { quieter: chance.next() * 6, duller: chance.next() * 2 },
        engine: seed,
        clip,
      }),
      heardEngine(sheet),
    ).heard;
  const first = hear(before, 2 * seed);
  const second = hear(mended ? {} : before, 2 * seed + 1);
  const truth = loose === 'alike' ? 'several' : loose;
  const told = toldOf(compareHeard(first, second), truth, mended ? 'none' : truth);
  return { loose, cylinders: sheet.firing.order.length, told };
}

function toldOf(compared: Compared, before: HowMany, after: HowMany): SoundPair['told'] {
  if (!compared.compared) return 'abstains';
  const fits = (told: HowMany, truth: HowMany) => told === truth || told === 'unsure';
  if (!fits(compared.before, before) || !fits(compared.after, after)) return 'wrong';
  return compared.before === before && compared.after === after ? 'right' : 'abstains';
}

/** A simulated engine of so many cylinders whose firing repeats in a cycle. */
function engineWith(seed: number, cylinders: number): EngineSheet {
  for (let next = seed * 1000; ; next++) {
    const sheet = simulatedEngine(next);
    if (sheet.firing.order.length === cylinders && heardEngine(sheet).steps >= 3) return sheet;
  }
}
