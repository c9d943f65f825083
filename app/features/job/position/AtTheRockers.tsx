import { BarTo } from './BarTo';
import { AtTheCrank } from './AtTheCrank';
import { FeelThere } from './FeelThere';
import { FindStep } from './FindStep';
import type { StepProps } from '../model/stepProps';

/**
 * What comes before an adjuster at a stop, in the round and at the shims: what is asked, felt or
 * barred first. Null where the work itself is at hand.
 */
export function AtTheRockers(props: StepProps) {
  const { instruction } = props.job;
  switch (instruction?.do) {
    case 'bar':
      return instruction.why === 'find' ? (
        <FindStep {...props} />
      ) : (
        <BarTo {...props} instruction={instruction} key={String(instruction.to)} />
      );
    case 'feel':
      return instruction.why === 'narrow' ? (
        <FindStep {...props} />
      ) : (
        <FeelThere {...props} instruction={instruction} />
      );
    case 'look':
      return <FindStep {...props} />;
    case 'answer':
      return <AtTheCrank {...props} instruction={instruction} />;
    default:
      return null;
  }
}

/** Whether the instruction is about the crank, and not yet about an adjuster. */
export function isAtTheRockers({ job }: Pick<StepProps, 'job'>): boolean {
  const { instruction } = job;
  if (!instruction) return false;
  if (instruction.do === 'answer') {
    return ['turned', 'rotation', 'method', 'unserved', 'chart'].includes(instruction.ask);
  }
  return ['bar', 'feel', 'look'].includes(instruction.do);
}
