import type { Instruction, Trial, WitnessedEngine, WholeTask } from '@longbar/core';
import { SeededRandom, turnAsTold } from '@longbar/core';
import { useState } from 'react';

type Felt = Readonly<Record<string, 'loose' | 'firm'>>;

/** What the hands did last at the engine, and what came of it. */
export type Hands = {
  /** The rockers as they were felt where the crank stands. */
  felt: Felt;
  /** The blades tried in the gap at hand. */
  tried: readonly Trial[];
  /** The last thing that was noticed, in words. */
  noticed: string;
  wiggle: (ids: readonly string[]) => void;
  bar: (degrees: number) => void;
  barAsTold: (instruction: Extract<Instruction, { do: 'bar' }>) => void;
  barToMark: () => void;
  pull: (id: string, ...sizes: number[]) => void;
  set: (id: string, figure: number) => void;
  fit: (id: string, size: number) => void;
};

/** Hands at a hidden engine: they know what they felt, and nothing of what is true. */
export function useHands(engine: WitnessedEngine, { seed, faults }: WholeTask): Hands {
  const [random] = useState(() => new SeededRandom(seed ^ 0x4a2d));
  const [felt, setFelt] = useState<Felt>({});
  const [gap, setGap] = useState<{ id: string; tried: readonly Trial[] }>();
  const [noticed, setNoticed] = useState('');
  const turn = (degrees: number, says: string) => {
    engine.bar(degrees);
    setFelt({});
    setGap(undefined);
    setNoticed(says);
  };
  const changed = (says: string) => {
    setGap(undefined);
    setNoticed(says);
  };
  return {
    felt,
    tried: gap?.tried ?? [],
    noticed,
    wiggle(ids) {
      const now = ids.map((id): [string, 'loose' | 'firm'] => [id, engine.feel(id)]);
      setFelt({ ...felt, ...Object.fromEntries(now) });
      setNoticed('');
    },
    bar: (degrees) => turn(degrees, `Barred by ${degrees}°.`),
    barAsTold(instruction) {
      const hand = turnAsTold(engine, instruction, { random, faults });
      if (!hand) return setNoticed('A whole round, and it never came.');
      const past = hand.past > 0;
      turn(hand.degrees, past ? 'It went past: the bar ran on in your hand.' : 'Barred as told.');
    },
    barToMark() {
      const next = engine.nextMark();
      if (next) turn(next.way, `Barred until mark ${next.name} came to the pointer.`);
      else setNoticed('This engine shows no mark.');
    },
    pull(id, ...sizes) {
      const before = gap?.id === id ? gap.tried : [];
      const fresh = sizes.map((size) => engine.pull(id, size));
      const kept = before.filter(({ size }) => !sizes.includes(size));
      setGap({ id, tried: [...kept, ...fresh] });
      const [last] = fresh.slice(-1);
      setNoticed(last?.enters ? 'It enters.' : 'It stops.');
    },
    set(id, figure) {
      engine.set(id, figure);
      changed('Turned, held and locked.');
    },
    fit(id, size) {
      engine.fit(id, size);
      changed('Fitted.');
    },
  };
}
