import type { FaultTold } from '@longbar/core';
import { adjusterName, FAULTS_TOLD, faultTask, markFault } from '@longbar/core';
import { useMemo, useState } from 'react';
import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { DOTS, Multiples, OneLarge } from '../drift/Multiples';
import { Answers } from './Answers';
import type { ExerciseProps } from './exerciseProps';

const SAID: Record<FaultTold, string> = {
  'drift-apart': 'One drifts apart: its seat or its lobe',
  locknut: 'A locknut slipped',
  'both-tight': 'Both of a cylinder are tight',
  swap: 'Intake and exhaust were exchanged',
  'all-loose': 'All of a kind are loose together',
  none: 'Nothing: it only wears',
};

/** What is wrong with it? Four years of figures, the cause and where it is. */
export function FaultExercise({ sheet, level, seed, width, onMarked }: ExerciseProps) {
  const task = useMemo(() => faultTask(sheet, seed, level), [sheet, seed, level]);
  const [id, choose] = useState<string>();
  const [fault, say] = useState<FaultTold>();
  const [marked, setMarked] = useState(false);
  const past = { sheet, histories: task.histories };
  const ready = fault !== undefined && (fault === 'none' || id !== undefined);
  return (
    <Stack>
      <Words as="heading">Four years of figures: what is wrong with it?</Words>
      <Words>
        One check a year, 500 h apart, set to target each time. Tap the gap it is about.
      </Words>
      {id !== undefined && <OneLarge {...{ past, id, width }} />}
      <Multiples past={past} shown={id} onShow={marked ? ignoreTap : choose} />
      <Words as="note" color="secondInk">
        {DOTS}
      </Words>
      <Answers
        label="What is wrong"
        said={SAID}
        answers={FAULTS_TOLD}
        chosen={fault}
        onSay={(each) => !marked && say(each)}
      />
      {!marked && (
        <Act
          weight="primary"
          label={sayLabel(fault, id)}
          disabled={!ready}
          onPress={() => {
            if (!fault) return;
            setMarked(true);
            const [about] = task.ids;
            if (about !== undefined) choose(about);
            onMarked(markFault(task, { fault, id }));
          }}
        />
      )}
    </Stack>
  );
}

function ignoreTap(): void {
  // It is marked already: the one that it is about stays shown.
}

function sayLabel(fault: FaultTold | undefined, id: string | undefined): string {
  if (fault === undefined) return 'Say what is wrong';
  if (fault === 'none') return 'Mark it: nothing is wrong';
  return id === undefined ? 'Tap the gap it is about' : `Mark it: ${adjusterName(id)}`;
}
