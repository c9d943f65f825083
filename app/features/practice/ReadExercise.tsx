import type { EngineSheet, ReadAnswer, Trial } from '@longbar/core';
import { ANSWERS, formatInBoth, markReading, readTask, tryBlade } from '@longbar/core';
import { useMemo, useState } from 'react';
import { ReadingBand } from '../../drawing/ReadingBand';
import { useTelling } from '../../state/telling';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { SetInHand, useSetInHand } from '../bench/SetInHand';
import { BladeRow } from '../job/reading/BladeRow';
import { Answers } from './Answers';
import type { ExerciseProps } from './exerciseProps';

const SAID: Record<ReadAnswer, string> = {
  tight: 'It is tight',
  inside: 'It is inside',
  loose: 'It is loose',
  open: 'This set cannot tell',
};

/** Read it: blades on a hidden gap, and what it is. */
export function ReadExercise({ sheet, level, seed, width, onMarked }: ExerciseProps) {
  const spec = specOf(sheet);
  const hand = useSetInHand();
  const gap = useMemo(
    () => readTask(hand.set, spec, seed, level),
    // The limits are the sheet’s, and another object at every drawing.
    // oxlint-disable-next-line react/exhaustive-deps
    [hand.set, sheet, seed, level],
  );
  const [tried, setTried] = useState<readonly Trial[]>([]);
  const shown = useTelling(tried);
  const [answer, setAnswer] = useState<ReadAnswer>();
  const attempt = (size: number) => {
    if (answer || tried.some((trial) => trial.size === size)) return;
    setTried([...tried, tryBlade(gap, size)]);
  };
  const say = (said: ReadAnswer) => {
    if (answer) return;
    setAnswer(said);
    onMarked(markReading(hand.set, spec, { gap, tries: tried.length, answer: said }));
  };
  return (
    <Stack>
      <Words as="heading">Try blades, and say what the gap is</Words>
      <Words>
        Limits {formatInBoth('lash', spec.low)} to {formatInBoth('lash', spec.high)}. A tap tries a
        blade.
      </Words>
      <BladeRow
        set={hand.set}
        spec={spec}
        tried={shown}
        onTap={attempt}
        onTapLeaf={({ go, noGo }) => setTried([...tried, tryBlade(gap, go), tryBlade(gap, noGo)])}
      />
      <ReadingBand
        spec={spec}
        {...(answer && { reading: { go: gap, noGo: gap, how: 'gauge' } })}
        width={width}
      />
      <Answers label="What it is" said={SAID} answers={ANSWERS} chosen={answer} onSay={say} />
      {tried.length === 0 && !answer && <SetInHand hand={hand} />}
    </Stack>
  );
}

/** The first gap of the sheet; a common one where it measures other things only. */
function specOf({ adjusters }: EngineSheet) {
  const own = adjusters.find(({ spec, measure }) => spec && (measure ?? 'lash') === 'lash')?.spec;
  return own ?? { low: 280, target: 330, high: 380 };
}
