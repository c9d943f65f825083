import { mayAbandon, methodOf, METHOD_TITLES } from '@longbar/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, StyleSheet } from 'react-native';
import { Act } from '../../../ui/Act';
import { Stack } from '../../../ui/Panel';
import { space } from '../../../theme/tokens';
import { placeOf } from '../../../ui/placeOf.web';
import { Words } from '../../../ui/Words';
import { Abandon } from './Abandoned';
import { GivenUp } from './GivenUp';
import { HandOver } from './HandOver';
import { JoinAsHelper } from '../helper/JoinAsHelper';
import { Locks } from '../locks/Locks';
import { MapChoice } from './MapChoice';
import { MethodChoice } from '../../shared/MethodChoice';
import { ScopeChoice } from './ScopeChoice';
import { usePractising } from '../../shared/practising';
import type { WorkingJob } from '../model/workingJob';

type Props = { job: WorkingJob; onDone: () => void };

/** What concerns the whole job: who works, who turns, on paper, and by which method. */
export function JobMenu({ job, onDone }: Props) {
  const practising = usePractising();
  const [choosing, setChoosing] = useState(false);
  const method = methodOf(job.setting, job.state);
  return (
    <ScrollView style={styles.menu} contentContainerStyle={styles.content}>
      {!practising && <HandOver {...{ job, onDone }} />}
      <Locks job={job} />
      <GivenUp {...{ job, onDone }} />
      {!practising && <Elsewhere job={job} />}
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
      {!practising && mayAbandon(job.state) && <Abandon {...{ job, onDone }} />}
      {practising && <Act label="Close" onPress={onDone} />}
    </ScrollView>
  );
}

/** Other pages of this job: its sheet, sums, the helper’s view, paper. */
function Elsewhere({ job }: Pick<Props, 'job'>) {
  const router = useRouter();
  const { id } = job.setting.head;
  return (
    <>
      <Act
        label="The sheet: order, limits, source"
        onPress={() => router.push(`/jobs/${id}/sheet`)}
      />
      <Act
        label="Why it works: base circle, overlap, mates"
        onPress={() =>
          router.push(
            placeOf(`/bench/why?order=${job.setting.sheet.firing.order.join('-')}&job=${id}`),
          )
        }
      />
      <Act
        label="Sums, with this job’s figures"
        icon="bench"
        onPress={() => router.push(`/jobs/${id}/sums`)}
      />
      <Act
        label="Helper’s view: you turn, under the machine"
        icon="hand"
        onPress={() => router.push(`/jobs/${id}/helper`)}
      />
      <JoinAsHelper job={id} />
      <Act
        label="The rest on paper, with blanks"
        icon="print"
        onPress={() => router.push(`/jobs/${id}/paper`)}
      />
    </>
  );
}

const styles = StyleSheet.create({
  menu: { flexGrow: 0, maxHeight: 480 },
  content: { paddingVertical: space.small, gap: space.medium },
});
