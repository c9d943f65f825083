import type { JudgedReading, RecordedAdjuster } from '../job/record/jobRecord';
import { outsideWord, verdictWord } from '../gauging/judgeReading';
import { formatFigure } from '../gauging/measure';
import type { RockerLook } from './rockerShapes';

/** Which reading of a record its head is drawn with. */
export type RecordedHead = 'found' | 'left';

/** How one rocker of a record is drawn: its look, and its figure without a unit. */
export type RecordedLook = RockerLook & { figure: string; says: string };

/** What is drawn of a recorded adjuster. */
type Recorded = Pick<RecordedAdjuster, 'measure' | 'left'> &
  Partial<Pick<RecordedAdjuster, 'found' | 'again' | 'unset' | 'dab'>>;

/**
 * How a rocker of a record looks as found or as left: the figure beside it, a dab where it was
 * marked as finished, a cross where it could not be set, a sign where it lay outside its limits.
 */
export function recordedLook(adjuster: Recorded, head: RecordedHead): RecordedLook {
  const { found, left, again, unset, dab, measure } = adjuster;
  const judged: JudgedReading | undefined = head === 'found' ? found : (again ?? left);
  const verdict = judged?.verdict;
  const figure = judged ? shortReading(measure, judged) : '';
  const progress = head === 'found' ? 'none' : unset ? 'unset' : dab ? 'painted' : 'none';
  return {
    here: false,
    onLobe: false,
    progress,
    selected: false,
    odd: outsideWord(measure, verdict) !== undefined,
    figure,
    says:
      figure === ''
        ? 'not read'
        : [figure, verdictWord(measure, verdict)].filter(Boolean).join(', '),
  };
}

/** A reading in the least room: "0.28–0.33", "<0.28", "0.53+". */
function shortReading(
  measure: RecordedAdjuster['measure'],
  { reading: { go, noGo, how } }: JudgedReading,
): string {
  const show = (figure: number) => formatFigure(measure, figure);
  if (noGo === null) return `${show(go)}+`;
  if (how === 'gauge' || how === 'wrench') return show((go + noGo) / 2);
  return go === 0 ? `<${show(noGo)}` : `${show(go)}–${show(noGo)}`;
}
