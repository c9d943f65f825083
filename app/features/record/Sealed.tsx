import { sealWords } from '@longbar/core';
import { useState } from 'react';
import { useSealQuery } from '../../state/api';
import { Act } from '../../ui/Act';
import { Field } from '../../ui/Field';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import type { WorkingJob } from '../job/model/workingJob';

/** The seal of a signed record, and the way to add something to it. */
export function Sealed({ job }: { job: WorkingJob }) {
  const { state, setting } = job;
  const { data } = useSealQuery(setting.head.id, { refetchOnMountOrArgChange: true });
  const [text, setText] = useState('');
  const [adding, setAdding] = useState(false);
  if (!state.signed) return null;
  const seal = data && sealWords(data);
  const add = () => {
    job.act({ type: 'record.amended', text: text.trim() });
    setText('');
    setAdding(false);
  };
  return (
    <Stack gap={8}>
      {seal && (
        <Words as="note" color={seal.grave ? 'stop' : 'secondInk'} role="status">
          {seal.text}
        </Words>
      )}
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
        <Act label="Add to this record" onPress={() => setAdding(true)} />
      )}
    </Stack>
  );
}
