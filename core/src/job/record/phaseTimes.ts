import type { KnownEvent } from '../journal/events';
import { isOfAdjuster } from '../journal/foldAdjuster';
import type { JobState } from '../journal/state';

/** How long a phase of the work took, ms. */
export type PhaseTime = { phase: string; ms: number };

/** Called away: a pause longer than this is not work at any phase, ms. */
const CALLED_AWAY = 20 * 60_000;

const PHASES: Partial<Record<KnownEvent['type'], string>> = {
  'why.noted': 'Why',
  'scope.chosen': 'Why',
  'rules.kept': 'Why',
  'cold.stated': 'Ready',
  'hot.stated': 'Ready',
  'tag.read': 'Ready',
  'ready.done': 'Ready',
  'hours.read': 'Ready',
  'isolation.done': 'Make unable to start',
  'isolation.exempted': 'Make unable to start',
  'lock.hung': 'Make unable to start',
  'opening.noted': 'Open up',
  'opening.done': 'Open up',
  'torque.done': 'Torque',
  'rocker.felt': 'Find position',
  'metal.read': 'Ready',
  'gate.exempted': 'Ready',
  'position.found': 'Find position',
  'position.lost': 'Find position',
  'plan.made': 'Find position',
  'shims.planned': 'Shims',
  'shim.fitted': 'Shims',
  'round.done': 'Once round again',
  'closing.done': 'Close up',
  'bar.out': 'Make able to start',
  'clear.said': 'Make able to start',
  'tools.counted': 'Make able to start',
  'isolation.undone': 'Make able to start',
  'run.noted': 'Run and sign',
  'machine.noted': 'Run and sign',
  'job.signed': 'Run and sign',
};

/**
 * Time at each phase, in the order in which the phases were come to: what lies between two
 * events belongs to the later one's phase. Pauses of over twenty minutes are left out. Of two phones
 * that take turns the clock that is ahead counts, or with each turn what lies between their clocks.
 */
export function phaseTimes({ standing }: Pick<JobState, 'standing'>): PhaseTime[] {
  const times = new Map<string, number>();
  let round = false;
  let planned = false;
  let latest = -Infinity;
  for (const event of standing) {
    if (event.type === 'stop.reached') round = event.round;
    if (event.type === 'reading.taken') round = event.phase === 'again';
    planned ||= event.type === 'plan.made';
    const at = Date.parse(event.at);
    const took = at - latest;
    // A clock that is further behind than a pause may be was put right since.
    latest = took < -CALLED_AWAY ? at : Math.max(latest, at);
    const phase = phaseOf(event, round, planned);
    if (phase === undefined) continue;
    const counted = took > 0 && took <= CALLED_AWAY ? took : 0;
    times.set(phase, (times.get(phase) ?? 0) + counted);
  }
  return [...times].map(([phase, ms]) => ({ phase, ms }));
}

function phaseOf(event: KnownEvent, round: boolean, planned: boolean): string | undefined {
  if (event.type.startsWith('crank.') && !planned) return 'Find position';
  const named = PHASES[event.type];
  if (named !== undefined) return named;
  const atStops =
    event.type === 'stop.reached' || event.type.startsWith('crank.') || isOfAdjuster(event);
  return atStops ? (round ? 'Once round again' : 'Stops') : undefined;
}
