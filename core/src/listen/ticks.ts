import type { OneCycle } from './cycleParts';
import { onTo, partsApart } from './cycleParts';
import type { HowMany } from './heard';

/** One thing that stands out: where in the cycle, 0 to 1; how far, dB; how loud, dB. */
export type Tick = { at: number; over: number; level: number };

/** This far above the usual something ticks, dB; from MAY_TICK on it may. */
const TICKS = 6.5;
const MAY_TICK = 5.6;
/** Healthy cylinders differ by no more than this from the quietest of them, dB. */
const DIFFER = 7.5;
/** What stands out of the quietest by this much surely ticks, dB. */
const CLEARLY = 9.5;
/** Nearer than so many bins is one place: a tick that rings on is no second one. */
const SAME_PLACE = 3.5;

/** What stands out of the steps in two bands at least, by at least so much, the farthest out first. */
function standingOut(bands: readonly OneCycle[], of: 'usual' | 'least', atLeast: number): Tick[] {
  const bins = bands[0]?.heard.length ?? 0;
  const out = Array.from({ length: bins }, (_, bin) => {
    const overs = bands.map((band) => {
      const level = band.heard[bin] ?? 0;
      return { level, over: level - (band[of][bin] ?? level) };
    });
    const [first, second] = overs.sort((a, b) => b.over - a.over);
    const over = ((first?.over ?? 0) + (second?.over ?? 0)) / 2;
    return { at: bin / bins, over, level: Math.max(first?.level ?? 0, second?.level ?? 0) };
  });
  const ticks: Tick[] = [];
  for (const tick of out.sort((a, b) => b.over - a.over)) {
    if (tick.over < atLeast) break;
    const near = ticks.some(({ at }) => partsApart(at, tick.at) * bins < SAME_PLACE);
    if (!near) ticks.push(tick);
  }
  return ticks;
}

/** A valve that closes is at least this much louder than as it opens, dB, to be known by it. */
const LOUDER = 2.5;
/** How far the ends of a lobe may be from where the sheet has them, parts of a cycle. */
const LOBE_ENDS = 0.018;
/** So much below the loudest, dB, a tick may be its echo. */
const ECHO = 13;

/** How many things tick, and what surely does, the loudest first. */
export type Ticking = { many: HowMany; ticks: Tick[] };

/**
 * Whether one thing ticks, several do, or none stands out. `open` says how long valves are open,
 * parts of a cycle: one loose valve may be heard at both ends of its lobe.
 */
export function tickingOf(bands: readonly OneCycle[], open: readonly number[]): Ticking {
  const beyond = standingOut(bands, 'least', DIFFER);
  const out = standingOut(bands, 'usual', MAY_TICK).sort((a, b) => b.level - a.level);
  const [loudest, ...others] = out;
  const ticks = out.filter(
    ({ over, level }) => over >= TICKS && level > (loudest?.level ?? 0) - ECHO,
  );
  const clear = clearOf(beyond);
  // One thing is heard at two places at most: as its valve opens and as it closes.
  if (clear.length > 2) return { many: 'several', ticks: ticks.length > 0 ? ticks : clear };
  if (!loudest) return { many: beyond.length > 0 ? 'unsure' : 'none', ticks };
  if (loudest.over < TICKS) return { many: 'unsure', ticks };
  const own = (tick: Tick) =>
    tick.level <= loudest.level - ECHO ||
    partsApart(tick.at, loudest.at) < LOBE_ENDS ||
    (tick.level <= loudest.level - LOUDER && isLobeBefore(tick, loudest, open));
  const unlike = others.filter((tick) => !own(tick));
  if (unlike.length === 0) return { many: beyond.every(own) ? 'one' : 'unsure', ticks };
  const sure = unlike.filter(({ over }) => over >= TICKS);
  const couldBeOne = sure.every(
    (tick) =>
      tick.level > loudest.level - LOUDER &&
      (isLobeBefore(tick, loudest, open) || isLobeBefore(loudest, tick, open)),
  );
  return { many: sure.length > 0 && !couldBeOne ? 'several' : 'unsure', ticks };
}

/** What stands clearly out of the quietest step, and is no echo of the loudest. */
function clearOf(beyond: readonly Tick[]): Tick[] {
  const loudest = Math.max(...beyond.map(({ level }) => level));
  return beyond.filter(({ over, level }) => over >= CLEARLY && level > loudest - ECHO);
}

function isLobeBefore(opening: Tick, closing: Tick, open: readonly number[]): boolean {
  const way = onTo(opening.at, closing.at);
  return open.some((part) => Math.abs(way - part) < LOBE_ENDS);
}
