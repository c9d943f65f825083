import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { preferencesChanged } from '../../../state/preferences';
import { useAppSelector } from '../../../state/store';
import { Act } from '../../../ui/Act';
import { Field } from '../../../ui/Field';
import { Row } from '../../../ui/Panel';
import { Tiles } from '../../../ui/Tiles';
import { useNamesHere } from '../../people/useNamesHere';
import { usePinFirst } from '../../people/usePinFirst';
import type { WorkingJob } from '../model/workingJob';

type Props = { job: WorkingJob; onDone: () => void };

/**
 * Another person carries on: recorded, and from here on in their name. Who worked on this job or
 * with this phone taps their name.
 */
export function HandOver({ job, onDone }: Props) {
  const dispatch = useDispatch();
  const [to, setTo] = useState('');
  const names = useAppSelector(({ preferences }) => preferences.names);
  const here = useNamesHere();
  const { pinFirst, asking } = usePinFirst();
  const all = [...job.state.people, ...names, ...here.map(({ name }) => name)];
  const known = [...new Set(all)].filter((name) => name !== job.by);
  const hand = (name: string) =>
    pinFirst(name, () => {
      job.act({ type: 'job.handed', to: name });
      dispatch(preferencesChanged({ name }));
      onDone();
    });
  return (
    <>
      {asking}
      {known.length > 0 && (
        <Tiles columns={2}>
          {known.map((name) => (
            <Act key={name} label={`${name} carries on`} onPress={() => hand(name)} />
          ))}
        </Tiles>
      )}
      <Field label="Who carries on" value={to} onChange={setTo} autoFocus={known.length === 0} />
      <Row>
        <Act label="Close" style={{ flex: 1 }} onPress={onDone} />
        <Act
          label="Hand over"
          disabled={to.trim() === '' || to.trim() === job.by}
          style={{ flex: 1 }}
          onPress={() => hand(to.trim())}
        />
      </Row>
    </>
  );
}
