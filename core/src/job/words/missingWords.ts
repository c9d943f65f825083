import { adjusterName } from '../../engine/adjusterEntry';
import { formatInstant } from '../../units';
import type { Closed, Missing } from '../instruction/missing';

const SAID: Record<Extract<Missing, { code: string }>['code'], string> = {
  why: 'Say why the engine is opened.',
  tag: 'Read the data tag.',
  'tag-reason': 'Say why the tag is none of these.',
  'cold-since': 'Say since when the engine has been cold.',
  metal: 'The metal is not at the temperature that the figures are for.',
  'hot-stated': 'Say when the hot engine was shut down.',
  'hot-over': 'The hot window is over: run it hot again, or say why it is read now.',
  hours: 'Read the hours.',
  lock: 'Hang your own lock.',
  open: 'Covers off, everything noted.',
  position: 'Settle where the crank is.',
  'nobody-turned': 'Say whether anybody turned the crank meanwhile.',
  rotation: 'Say which way the engine turns: the sheet does not.',
  shims: 'Work out which shim goes where.',
  'round-done': 'Say that the round is done.',
  'bar-out': 'Bar and pins out of the engine.',
  tools: 'Tools counted back.',
  run: 'Say how it ran.',
  leak: 'Mend the leak and run it again, or say why it is left.',
  sign: 'Sign.',
  rest: 'Let it rest until it counts as cold.',
  'hot-run': 'Run it hot.',
  method: 'Choose a method that this engine allows.',
  item: '',
  torque: '',
  adjuster: '',
  unserved: '',
  chart: '',
  clear: '',
};

/** What is missing, for people. */
export function describeMissing(missing: Missing): string {
  switch (missing.code) {
    case 'rest':
      return `Let it rest: it counts as cold from ${formatInstant(missing.until)}.`;
    case 'hot-run':
      return `Run it hot: ${missing.minutes} min at least.`;
    case 'method':
      return missing.why.says;
    case 'item':
      return missing.text;
    case 'torque':
      return `${missing.name}: ${missing.left} left.`;
    case 'adjuster':
      return adjusterName(missing.id);
    case 'unserved':
      return `${adjusterName(missing.id)}: no stop serves it.`;
    case 'chart':
      return `${adjusterName(missing.id)}: say whether it is set where the chart has it.`;
    case 'clear':
      return `${missing.person}: clear, own lock off.`;
    default:
      return SAID[missing.code];
  }
}

const CLOSED: Record<Closed, string> = {
  'ready-first': 'Say why, and finish Ready first.',
  'unable-first': 'Make the engine unable to start first.',
  'open-first': 'Open up first.',
  'torque-first': 'Torque first: lash after that, never before.',
  'find-first': 'Find the crank’s position first.',
  'temperature-first': 'Nothing is read before the engine is at its temperature.',
  'coming-off': 'Isolations are coming off: undo that before anything is barred again.',
  'stops-first': 'Finish every stop first.',
  'shims-first': 'Fit every shim first.',
  'round-first': 'Go once round again first.',
  'close-first': 'Close up first.',
  'able-first': 'Make it able to start first.',
};

/** Why a step is closed, for people. */
export function describeClosed(closed: Closed): string {
  return CLOSED[closed];
}
