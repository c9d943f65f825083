import { readNumber } from '@longbar/core';
import { useState } from 'react';
import { Act } from '../../../ui/Act';
import { Field } from '../../../ui/Field';
import { Row, Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import type { WorkingJob } from '../model/workingJob';

type Props = { job: WorkingJob; planned: number };

/** More than a few degrees past is guessed, so the turn is held this much looser, degrees. */
const GUESSED = 20;

/** Gone past the stop: by so many degrees, or by a way that nobody knows. */
export function WentPast({ job, planned }: Props) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  const past = readNumber(text) ?? NaN;
  const typed = past > 0 && past <= 360;
  if (!open) return <Act label="Went past it" onPress={() => setOpen(true)} />;
  return (
    <Stack>
      <Words as="strong">How far past it?</Words>
      <Field
        label="Degrees past, about"
        inputMode="decimal"
        value={text}
        onChange={setText}
        error={text.trim() !== '' && !typed ? 'Degrees are a number up to 360.' : undefined}
      />
      <Row>
        <Act
          label={typed ? `About ${Math.round(past)}° past` : 'So many degrees past'}
          style={{ flex: 1 }}
          disabled={!typed}
          onPress={() =>
            job.act({
              type: 'crank.turned',
              degrees: planned + past,
              within: GUESSED,
              how: 'overshot',
            })
          }
        />
        <Act
          label="Nobody knows"
          name="Nobody knows how far past"
          style={{ flex: 1 }}
          onPress={() => job.act({ type: 'crank.turned', degrees: null, how: 'overshot' })}
        />
      </Row>
    </Stack>
  );
}
