import { adjustersOf } from '../engine/adjusters';
import type { EngineSheet } from '../engine/sheet';
import type { JobAct } from '../job/journal/events';
import type { HiddenEngine } from './hiddenEngine';

/** What was true at an engine as something was said of it. */
export type Truth = {
  /** The crank angle, degrees. */
  crank: number;
  /** How far it was turned since a turn was last told, degrees. */
  turned: number;
  /** How far somebody else turned it since then, degrees. */
  disturbed: number;
  /** How the rocker that is spoken of was last felt here; absent where it was not. */
  felt?: 'loose' | 'firm';
  /** Whether what is said to be seen is there to be seen. */
  seen?: boolean;
  /** The gap, height or preload of the adjuster that is spoken of, µm. */
  gap?: number;
  /** Its screw was turned or its shim changed since that was last told. */
  touched?: boolean;
};
/** By the id of the event that said it. */
export type Truths = Record<string, Truth>;

/** A hidden engine that remembers what was done to it, to hold what is told against it. */
export type WitnessedEngine = HiddenEngine & {
  /** What is true as this is told. */
  truthOf(act: JobAct): Truth;
  /** Somebody else turns it while nobody looks, degrees. */
  disturb(degrees: number): void;
  /** All that it was turned by, degrees. */
  turnedInAll(): number;
};

/**
 * The same engine with a witness beside it: how far it was turned, which rockers were felt where
 * it stands, and whose screws were turned, each since it was last told.
 *
 * `witnessed(hiddenEngine(sheet, { seed: 7, crank: 137, faults: {} })).truthOf({ type: 'crank.held' })`
 */
export function witnessed(engine: HiddenEngine): WitnessedEngine {
  const felt = new Map<string, 'loose' | 'firm'>();
  const touched = new Set<string>();
  let turned = 0;
  let disturbed = 0;
  let inAll = 0;
  const moved = (degrees: number) => {
    engine.bar(degrees);
    if (degrees !== 0) felt.clear();
  };
  return {
    ...engine,
    turnedInAll: () => inAll,
    bar(degrees) {
      moved(degrees);
      turned += degrees;
      inAll += degrees;
    },
    disturb(degrees) {
      moved(degrees);
      disturbed += degrees;
    },
    feel(id) {
      const state = engine.feel(id);
      felt.set(id, state);
      return state;
    },
    set(id, gap) {
      engine.set(id, gap);
      touched.add(id);
    },
    fit(id, size) {
      engine.fit(id, size);
      touched.add(id);
    },
    truthOf(act) {
      const truth: Truth = { crank: engine.crank(), turned, disturbed };
      // What is seen or felt tells where it stands, whatever it was turned by before.
      if (act.type === 'crank.turned' || act.type === 'crank.observed') turned = 0;
      if (act.type === 'crank.turned' || act.type === 'crank.held') disturbed = 0;
      if (act.type === 'crank.observed') {
        const { observation } = act;
        if (observation.state === 'loose' || observation.state === 'firm') {
          const was = felt.get(observation.id);
          return was ? { ...truth, felt: was } : truth;
        }
        return { ...truth, seen: engine.sees(observation) };
      }
      if (!('adjuster' in act)) return truth;
      const { adjuster } = act;
      const wasTouched = touched.has(adjuster);
      if (act.type === 'adjuster.locked' || act.type === 'shim.fitted') touched.delete(adjuster);
      return { ...truth, gap: engine.gap(adjuster), touched: wasTouched };
    },
  };
}

/** The gaps, heights and preloads of an engine as they are, µm, by adjuster. */
export function leftAt(engine: HiddenEngine, sheet: EngineSheet): Record<string, number> {
  return Object.fromEntries(adjustersOf(sheet).map(({ id }) => [id, engine.left(id)]));
}
