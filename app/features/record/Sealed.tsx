import { useState } from 'react';
import { useSealQuery } from '../../state/api';
import { Act } from '../../ui/Act';
import { Field } from '../../ui/Field';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import type { WorkingJob } from '../job/model/workingJob';

type Props = { job: WorkingJob; additions: readonly string[] };

/** The seal of a signed record, what was added after, and the way to add something. */
export function Sealed({ job, additions }: Props) {
  const { state, setting } = job;
  const { data } = useSealQuery(setting.head.id, { refetchOnMountOrArgChange: true });
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
      {data?.seal && (
        <Words as="note" color={data.holds ? 'secondInk' : 'stop'} role="status">
          {data.holds
            ? `Sealed: its events have the hash they were signed with, ${data.seal.slice(0, 16)} …`
            : 'The seal is broken: its events are not those that were signed. Ask who changed the data.'}
        </Words>
      )}
      {additions.map((text) => (
        <Words key={text} as="note">
          {text}
        </Words>
      ))}
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
