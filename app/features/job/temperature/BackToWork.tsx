import type { JobAct } from '@longbar/core';
import { adjusterName, mayReturn, notToRunWith, openWork } from '@longbar/core';
import { useState } from 'react';
import { Act } from '../../../ui/Act';
import { Caution } from '../../../ui/Caution';
import { Stack } from '../../../ui/Panel';
import { TickRow } from '../../../ui/TickRow';
import { Words } from '../../../ui/Words';
import { ClearRow } from '../locks/ClearRow';
import { FINISHED_FIRST } from '../frame/finishedFirst';
import type { WorkingJob } from '../model/workingJob';

type Why = Extract<JobAct, { type: 'engine.returned' }>['why'];

const WAYS: { why: Why; label: string }[] = [
  { why: 'hot-run', label: 'Run it hot again' },
  { why: 'bump', label: 'Bump it over' },
  { why: 'moved', label: 'Move the machine' },
];

/**
 * The engine goes back to work in the middle of the job: only with nothing open at the rockers, the
 * bar out and everyone clear, and after it nothing is isolated, no cover is off and nobody knows
 * the crank.
 */
export function BackToWork({ job }: { job: WorkingJob }) {
  const [open, setOpen] = useState(false);
  const { state } = job;
  if (Object.keys(state.isolations).length === 0) return null;
  if (!open) {
    return <Act label="It must run or move in between" onPress={() => setOpen(true)} />;
  }
  const may = mayReturn(state);
  const left = openWork(state);
  const not = notToRunWith(state);
  return (
    <Stack>
      <Words as="heading">Before it runs or moves</Words>
      <Caution>
        Covers back on, bar and pins out, everyone clear. Afterwards every isolation is done anew
        and the crank’s place is found anew.
      </Caution>
      {left && (
        <Words as="strong" color="stop">
          Not before {FINISHED_FIRST[left]}.
        </Words>
      )}
      {not.length > 0 && (
        <Words as="strong" color="stop">
          As it was found or left, it must not be run: {not.map(adjusterName).join(', ')}.
        </Words>
      )}
      <TickRow
        text="Bar and pins are out of the engine"
        done={state.barOut !== undefined}
        onPress={() => job.act({ type: 'bar.out' })}
      />
      {state.people.map((person) => (
        <ClearRow key={person} {...{ job, person }} />
      ))}
      {WAYS.map(({ why, label }) => (
        <Act
          key={why}
          byHand
          weight={may ? 'stop' : 'plain'}
          label={label}
          disabled={!may}
          onPress={() => {
            job.act({ type: 'engine.returned', why });
            setOpen(false);
          }}
        />
      ))}
    </Stack>
  );
}
