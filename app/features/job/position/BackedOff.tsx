import { adjustersOf } from '@longbar/core';
import { useState } from 'react';
import { Act } from '../../../ui/Act';
import { Choice } from '../../../ui/Choice';
import { Row, Stack } from '../../../ui/Panel';
import { Tiles } from '../../../ui/Tiles';
import { Words } from '../../../ui/Words';
import type { WorkingJob } from '../model/workingJob';

/** Rockers that are off or backed off tell nothing of the crank until they are set. */
export function BackedOff({ job }: { job: WorkingJob }) {
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  // Over a bucket there is nothing to back off.
  const screws = adjustersOf(job.setting.sheet).filter(({ entry }) => entry.method !== 'shim');
  const cylinders = [...new Set(screws.map(({ cylinder }) => cylinder))].sort((a, b) => a - b);
  if (cylinders.length === 0) return null;
  const toggle = (cylinder: number) => {
    const next = new Set(chosen);
    if (!next.delete(cylinder)) next.add(cylinder);
    setChosen(next);
  };
  const record = () => {
    const adjusters = screws.filter(({ cylinder }) => chosen.has(cylinder)).map(({ id }) => id);
    job.act({ type: 'rockers.loosened', adjusters });
    setOpen(false);
    setChosen(new Set());
  };
  if (!open) {
    return <Act label="Rockers are off or backed off" onPress={() => setOpen(true)} />;
  }
  return (
    <Stack>
      <Words as="strong">Off or backed off on which cylinders?</Words>
      <Words color="secondInk">
        What they do tells nothing of the crank until they are set: a valve’s lowest point, a
        piston’s top or a mark does. Each of them is set in this job, whatever was done to it
        before.
      </Words>
      <Tiles columns={4}>
        {cylinders.map((cylinder) => (
          <Choice
            key={cylinder}
            label={String(cylinder)}
            name={`No. ${cylinder} off or backed off`}
            several
            chosen={chosen.has(cylinder)}
            onPress={() => toggle(cylinder)}
          />
        ))}
      </Tiles>
      <Row>
        <Act label="All of them" onPress={() => setChosen(new Set(cylinders))} />
        <Act
          label="Record as backed off"
          style={{ flex: 1 }}
          disabled={chosen.size === 0}
          onPress={record}
        />
      </Row>
    </Stack>
  );
}
