import type { AdjusterEntry, JobAct, LookedInto, Question, SettableEntry } from '@longbar/core';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { Act } from '../../../ui/Act';
import { Words } from '../../../ui/Words';
import type { WorkingJob } from '../model/workingJob';
import { ShimWheel } from '../shims/ShimWheel';
import { useShimIn } from '../shims/useShimIn';
import type { AdjusterView } from './adjusterView';
import { AnswerIt } from './AnswerIt';
import { Offer } from './Offer';
import { OpenQuestion } from './OpenQuestion';
import { saidOf } from './WhatWasSeen';

type Props = {
  job: WorkingJob;
  id: string;
  entry: AdjusterEntry & SettableEntry;
  view: AdjusterView;
  /** What is asked about the reading, before anything is turned. */
  question: Question | undefined;
  /** What was seen besides, where it was looked into. */
  seen: LookedInto | undefined;
  /** What leads on to the next, once nothing is to be done here. */
  onward: ReactNode;
  act: (...acts: JobAct[]) => void;
};

/** The answer with the words it answers: the record is read without the screen. */
function answered({ key, says }: Question, answer: string, seen: LookedInto): JobAct {
  return { type: 'question.answered', question: key, answer, says, ...seen };
}

/** What stands low under the thumb at an adjuster: what is asked, what is chosen, and what is recorded. */
export function useFoot({ job, id, entry, view, question, seen, onward, act }: Props) {
  const readAgain = () =>
    act({
      type: 'reading.taken',
      adjuster: id,
      phase: view.reads ?? 'found',
      reading: { go: 0, noGo: null, how: 'go-no-go' },
      tried: [],
    });
  const shim = useShimIn(job, id);
  // The blades stay in sight where one more would help, until it is taken as it is.
  const [enough, setEnough] = useState<string>();
  const closer = enough === id ? undefined : view.closer;
  const above = question ? (
    <OpenQuestion question={question} />
  ) : closer ? (
    <Words as="strong">{closer}</Words>
  ) : (
    view.offers === 'shim' && <ShimWheel {...shim} />
  );
  const primary = question ? (
    <AnswerIt
      onReadAgain={readAgain}
      onIsSo={() => act(answered(question, 'Looked, it is so', saidOf(seen ?? {})))}
    />
  ) : closer && view.offers === 'shim' ? (
    <Act label="Take it as it is read" onPress={() => setEnough(id)} />
  ) : (
    <>
      <Offer {...{ job, id, entry, view, act }} shim={shim.size} key={`${id} ${view.offers}`} />
      {(view.offers === 'nothing' || view.offers === 'done' || view.offers === 'unset') && onward}
    </>
  );
  return { above, primary };
}
