import { mayAbandon, methodOf, METHOD_TITLES } from '@longbar/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, StyleSheet } from 'react-native';
import { useDispatch } from 'react-redux';
import { preferencesChanged } from '../../../state/preferences';
import { Act } from '../../../ui/Act';
import { Field } from '../../../ui/Field';
import { Row, Stack } from '../../../ui/Panel';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';
import { Abandon } from './Abandoned';
import { Locks } from '../locks/Locks';
import { MapChoice } from './MapChoice';
import { MethodChoice } from '../../shared/MethodChoice';
import { ScopeChoice } from './ScopeChoice';
import type { WorkingJob } from '../model/workingJob';

type Props = { job: WorkingJob; onDone: () => void };

/** What concerns the whole job: who works, who turns, on paper, and by which method. */
export function JobMenu({ job, onDone }: Props) {
  const router = useRouter();
  const [choosing, setChoosing] = useState(false);
  const method = methodOf(job.setting, job.state);
  const { id } = job.setting.head;
  return (
    <ScrollView style={styles.menu} contentContainerStyle={styles.content}>
      <HandOver {...{ job, onDone }} />
      <Locks job={job} />
      <Act
        label="The sheet: order, limits, source"
        onPress={() => router.push(`/jobs/${id}/sheet`)}
      />
      <Act
        label="Helper’s view: you turn, under the machine"
        icon="hand"
        onPress={() => router.push(`/jobs/${id}/helper`)}
      />
      <Act
        label="The rest on paper, with blanks"
        icon="print"
        onPress={() => router.push(`/jobs/${id}/paper`)}
      />
      <Act
        label={`Method: ${METHOD_TITLES[method]}. Change it`}
        onPress={() => setChoosing(!choosing)}
      />
      {choosing && (
        <Stack>
          <Words color="secondInk">
            The stops are planned anew from where the crank stands. What is read and set stays.
          </Words>
          <MethodChoice
            sheet={job.setting.sheet}
            chosen={method}
            onChoose={(chosen) => {
              if (chosen !== method) job.act({ type: 'method.changed', method: chosen });
              onDone();
            }}
          />
        </Stack>
      )}
      <ScopeChoice job={job} />
      <MapChoice />
      {mayAbandon(job.state) && <Abandon {...{ job, onDone }} />}
    </ScrollView>
  );
}

/** Another person carries on: recorded, and from here on in their name. */
function HandOver({ job, onDone }: Props) {
  const dispatch = useDispatch();
  const [to, setTo] = useState('');
  const hand = () => {
    job.act({ type: 'job.handed', to: to.trim() });
    dispatch(preferencesChanged({ name: to.trim() }));
    onDone();
  };
  return (
    <>
      <Field label="Who carries on" value={to} onChange={setTo} autoFocus />
      <Row>
        <Act label="Close" style={styles.grow} onPress={onDone} />
        <Act
          label="Hand over"
          disabled={to.trim() === '' || to.trim() === job.by}
          style={styles.grow}
          onPress={hand}
        />
      </Row>
    </>
  );
}

const styles = StyleSheet.create({
  menu: { flexGrow: 0, maxHeight: 480 },
  content: { paddingVertical: space.small, gap: space.medium },
  grow: { flex: 1 },
});
