import { compareHeard } from './compareHeard';
import type { Heard, HeardWell, HowMany, Unheard } from './heard';

/** What nobody can hear in a clip; it stands beside whatever is told of one. */
export const CANNOT_HEAR =
  'It cannot say which cylinder it is, nor what: a valve, an injector and a leaking joint can sound alike. What ticks alike at every cylinder, before and after, it does not hear.';

const whole = new Intl.NumberFormat('en', { maximumFractionDigits: 0 });

const UNHEARD_WORDS: Record<Unheard, string> = {
  short: 'The clip is too short: ten seconds at idle are wanted.',
  clipped: 'It was too loud for the microphone: hold it further off, and record again.',
  beat: 'No engine speed is heard in it: hold it near the rocker cover, away from the fan, and record again.',
  unsteady: 'The speed was not steady: let it settle at idle, and record again.',
  few: 'This engine has too few cylinders that fire evenly to hold against each other: the ear tells more.',
};

/**
 * What one clip told, as a sentence.
 *
 * @example heardWords({ told: false, why: 'short' }) // 'The clip is too short: ten seconds at idle are wanted.'
 */
export function heardWords(heard: Heard): string {
  if (!heard.told) return UNHEARD_WORDS[heard.why];
  const { speed, ticks, over, share } = heard;
  const at = `At ${rpm(speed)} rpm`;
  const part = share > 0 ? `; it makes ${whole.format(share * 100)} % of the sharp noise` : '';
  switch (ticks) {
    case 'none':
      return `${at} no cylinder ticks louder than the others.`;
    case 'one':
      return `${at} one thing ticks ${onceIn(heard)}, ${decibels(over)} louder than the other cylinders there${part}.`;
    case 'several':
      return `${at} several things tick, the loudest ${decibels(over)} louder than the other cylinders there${part}.`;
    case 'unsure':
      return `${at} something may tick: it stands out too little to say how many.`;
  }
}

/**
 * What two clips told, one beside the other, as a sentence; of the one clip there is where the other
 * is missing.
 */
export function noiseWords({ before, after }: { before?: Heard; after?: Heard }): string {
  if (!before || !after) {
    return [before && `Before: ${heardWords(before)}`, after && `After: ${heardWords(after)}`]
      .filter(Boolean)
      .join(' ');
  }
  const compared = compareHeard(before, after);
  if (before.told && after.told) {
    const speeds = `${rpm(before.speed)} and ${rpm(after.speed)} rpm`;
    if (!compared.compared) {
      return `Before and after, ${speeds}, are too far apart to compare: record again at like speed.`;
    }
    const [first, second] = [phrase(compared.before, before), phrase(compared.after, after)];
    if (compared.before === compared.after) return `Before and after, at ${speeds}, ${first}.`;
    return `Before, ${first}; after, ${second}: at like speed, ${speeds}.`;
  }
  return `Before: ${heardWords(before)} After: ${heardWords(after)}`;
}

/** What ticked, in few words: for the log and beside other words. */
export function ticksInWords(heard: Heard): string {
  return heard.told ? phrase(heard.ticks, heard) : 'nothing can be told';
}

function phrase(ticks: HowMany, heard: HeardWell): string {
  switch (ticks) {
    case 'none':
      return 'no cylinder ticked louder than the others';
    case 'one':
      return `one thing ticked ${onceIn(heard)}, ${decibels(heard.over)} louder than the other cylinders`;
    case 'several':
      return 'several things ticked';
    case 'unsure':
      return 'it cannot be told whether something ticked';
  }
}

function onceIn({ turns }: HeardWell): string {
  return turns === 2 ? 'once in two turns' : 'once a turn';
}

function decibels(over: number): string {
  return `${whole.format(over)} dB`;
}

function rpm(speed: number): string {
  return whole.format(speed);
}
