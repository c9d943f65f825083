import type { Instruction, JobAct, Observation } from '@longbar/core';
import { describeSeen, isRefused, marksDoubted, readId } from '@longbar/core';
import { Act } from '../../../ui/Act';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';
import { onward } from '../../find/findWords';
import { Locate } from '../../find/Locate';
import { AssumedLobes } from '../../shared/AssumedLobes';
import { StepFrame } from '../frame/StepFrame';
import { useJobLayout } from '../frame/useJobLayout';
import { TurnedByAnother } from '../helper/TurnedByAnother';
import type { Turner } from '../helper/Turner';
import { helperOf, useTurner } from '../helper/Turner';
import type { WorkingJob } from '../model/workingJob';
import type { StepProps } from '../model/stepProps';
import { AtTheCrank } from './AtTheCrank';
import { BackedOff } from './BackedOff';

/**
 * Find position: at whichever mark comes first, by any rocker, or by a valve at its lowest. All
 * of it adds to what is believed, and what to look at next is said.
 */
export function FindStep(props: StepProps) {
  const { job, after } = props;
  const { panel } = useJobLayout();
  const turner = useTurner();
  const { instruction } = job;
  if (instruction?.step === 'find' && instruction.do === 'answer') {
    return <AtTheCrank {...props} instruction={instruction} />;
  }
  const { sheet } = job.setting;
  const { belief } = job.crank;
  const observations = seenHere(job);
  const next = nextWords(job);
  const above = next !== undefined && <Words as="strong">{next}</Words>;
  return (
    <StepFrame {...{ job, after, above }} primary={<Next job={job} />}>
      <Words as="title">Where does it stand?</Words>
      <Locate
        {...{ sheet, observations, belief }}
        rotation={job.rotation}
        asked={askedCylinders(instruction)}
        width={panel - 2 * space.large}
        onObserve={(observation, back) => {
          const turned = 'mark' in observation && !back && turner.link.word === 'there';
          job.act(...(turned ? [turnedBy(turner)] : []), {
            type: 'crank.observed',
            observation,
            ...(back && { back }),
          });
        }}
      />
      {instruction?.do === 'bar' && instruction.rotation && <TurnedByAnother />}
      <AssumedLobes sheet={sheet} />
      {isMarkDoubted(job) && (
        <Words>
          Rockers of several cylinders speak against the mark. A rim can slip on its hub, and a
          pulley can be another engine’s: what is set by such a mark is set on a lobe.
        </Words>
      )}
      <BackedOff job={job} />
      {job.state.crank.history.length > 0 && (
        <Act
          label="It was turned by an unknown way"
          onPress={() => job.act({ type: 'crank.turned', degrees: null, how: 'unknown' })}
        />
      )}
    </StepFrame>
  );
}

/** Whether a mark is among what does not fit together: it may be the mark that is wrong. */
function isMarkDoubted({ instruction }: Pick<WorkingJob, 'instruction'>): boolean {
  return instruction?.do === 'look' && instruction.again.some((seen) => 'mark' in seen);
}

/** The turn to the first mark by another: nobody knows how far, and who turned says clear too. */
function turnedBy(turner: Turner): JobAct {
  return { type: 'crank.turned', degrees: null, how: 'barred', ...helperOf(turner) };
}

/** What was seen and felt since the crank was last turned. */
function seenHere({ state }: Pick<WorkingJob, 'state'>): Observation[] {
  const { history } = state.crank;
  const turned = history.findLastIndex((entry) => 'turned' in entry);
  return history.slice(turned + 1).flatMap((entry) => ('seen' in entry ? [entry.seen] : []));
}

/** The cylinders of the rockers that are to be felt, or of the valve that is to be watched. */
function askedCylinders(instruction: Instruction | undefined): number[] {
  if (instruction?.do === 'bar') {
    const { sight } = instruction;
    return typeof sight === 'object' && 'id' in sight ? [readId(sight.id).cylinder] : [];
  }
  if (instruction?.do !== 'feel') return [];
  const { loose, firm } = instruction.feel;
  return [...new Set([...loose, ...firm].map((id) => readId(id).cylinder))];
}

/** What to do next, in words. */
function nextWords({ instruction, crank, plan, setting, says, rotation }: WorkingJob) {
  if (crank.belief.told && !isRefused(plan)) {
    return onward(setting.sheet, plan, crank.belief, rotation);
  }
  if (instruction?.do === 'look' || instruction?.do === 'feel') {
    return `${says?.what}. ${says?.detail}`;
  }
  if (instruction?.do !== 'bar') return undefined;
  const peak = peakAsked(instruction);
  return peak
    ? `Rockers alone do not tell it. Bar on slowly until ${peakWords(peak)}.`
    : 'Bar on to whichever mark comes first, and say which. No mark in sight? Feel any rocker.';
}

/** What is seen as it is barred on, where that is no mark. */
function peakAsked(instruction: Instruction | undefined): Observation | undefined {
  const sight = instruction?.do === 'bar' ? instruction.sight : undefined;
  return typeof sight === 'object' ? sight : undefined;
}

/** What may be said to that with one tap. */
function Next({ job }: Pick<StepProps, 'job'>) {
  const { instruction, crank, plan, state } = job;
  if (crank.belief.told && !isRefused(plan)) return null;
  if (isMarkDoubted(job)) {
    return (
      <Act
        label="The marks are wrong: go on without"
        onPress={() => job.act(...marksDoubted(state))}
      />
    );
  }
  const peak = peakAsked(instruction);
  if (instruction?.do !== 'bar' || !peak) return null;
  const { to } = instruction;
  return (
    <Act
      weight="primary"
      label="It has, just now"
      onPress={() =>
        job.act(
          { type: 'crank.turned', degrees: null, how: 'barred', ...(to !== undefined && { to }) },
          { type: 'crank.observed', observation: peak },
        )
      }
    />
  );
}

function peakWords(sight: Observation): string {
  return 'id' in sight ? describeSeen(sight) : `${describeSeen(sight)} is seen`;
}
