import type { FaultTold } from '@longbar/core';
import { adjusterName, FAULTS_TOLD, faultTask, markFault } from '@longbar/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { Act } from '../../ui/Act';
import { Choice } from '../../ui/Choice';
import { Stack } from '../../ui/Panel';
import { Tiles } from '../../ui/Tiles';
import { Words } from '../../ui/Words';
import { DOTS, Multiples, OneLarge } from '../drift/Multiples';
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
      <View role="radiogroup" aria-label="What is wrong">
        <Tiles columns={2}>
          {FAULTS_TOLD.map((each) => (
            <Choice
              key={each}
              label={SAID[each]}
              chosen={each === fault}
              onPress={() => !marked && say(each)}
            />
          ))}
        </Tiles>
      </View>
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
