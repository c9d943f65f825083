import { useState } from 'react';
import { Act } from '../../ui/Act';
import { Field } from '../../ui/Field';
import { Stack } from '../../ui/Panel';
import { May } from '../people/May';
import type { WorkingJob } from '../job/model/workingJob';
import { Signed } from './Signed';

/** The seal of a signed record, and the way to add something to it. */
export function Sealed({ job }: { job: WorkingJob }) {
  const { state } = job;
  const [text, setText] = useState('');
  const [adding, setAdding] = useState(false);
  if (!state.signed) return null;
  const add = () => {
    job.act({ type: 'record.amended', text: text.trim() });
    setText('');
    setAdding(false);
  };
  return (
    <Stack gap={8}>
      <Signed job={job} />
      {adding ? (
        <>
          <Field
            label="What is to be added or put right"
            value={text}
            onChange={setText}
            multiline
          />
          <Act label="Add it to the record" disabled={text.trim() === ''} onPress={add} />
        </>
      ) : (
        <May role="technician">
          <Act label="Add to this record" onPress={() => setAdding(true)} />
        </May>
      )}
    </Stack>
  );
}
