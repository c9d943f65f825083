import type { Feel, InstructionTo, JobAct } from '@longbar/core';
import { adjusterName, describeOdd } from '@longbar/core';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { Act } from '../../../ui/Act';
import { Caution } from '../../../ui/Caution';
import { Row, Stack } from '../../../ui/Panel';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';
import { crankAngle, jobCells } from '../engine/jobCells';
import { JobMap } from '../engine/JobMap';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';

type Props = Pick<StepProps, 'job' | 'wide' | 'after'> & { instruction: InstructionTo<'feel'> };

/** At a stop, before anything is read: the rockers that tell it, as they must be. */
export function FeelThere({ job, wide, after, instruction }: Props) {
  const { width } = useWindowDimensions();
  const { feel } = instruction;
  const rows = rowsOf(feel);
  return (
    <StepFrame
      job={job}
      after={after}
      act={{
        label: rows.length < 4 ? 'The rest as told' : 'All as told',
        onPress: () => job.act(...asTold(feel)),
      }}
    >
      <Words as="title">{job.says?.what}</Words>
      <Words color="secondInk">
        Nothing is read here before they were felt. One that is otherwise: tap what it does; a tight
        or a slack one is named and does not spoil the place.
      </Words>
      <Stack gap={space.small}>
        {rows.map(({ id, told }) => (
          <View key={id} style={styles.row}>
            <View style={styles.name}>
              <Words as="strong">{adjusterName(id)}</Words>
              <Words as="note" color="secondInk">
                must be {told}
              </Words>
            </View>
            <Row style={styles.states}>
              {(['loose', 'firm'] as const).map((state) => (
                <Act
                  key={state}
                  label={state}
                  name={`${adjusterName(id)} ${state}`}
                  style={styles.state}
                  onPress={() => job.act(felt(id, state))}
                />
              ))}
            </Row>
          </View>
        ))}
      </Stack>
      {describeOdd(instruction.odd).map((text) => (
        <Words key={text} as="strong" color="stop">
          {text}
        </Words>
      ))}
      {!wide && (
        <JobMap
          job={job}
          cells={jobCells(job, { at: crankAngle(job) })}
          width={width - 2 * space.large}
        />
      )}
      <Caution>Fingers clear of the rockers while anyone turns.</Caution>
      <Act
        label="It was turned by an unknown way"
        onPress={() => job.act({ type: 'crank.turned', degrees: null, how: 'unknown' })}
      />
    </StepFrame>
  );
}

function rowsOf({ loose, firm }: Feel): { id: string; told: 'loose' | 'firm' }[] {
  return [
    ...loose.map((id) => ({ id, told: 'loose' as const })),
    ...firm.map((id) => ({ id, told: 'firm' as const })),
  ];
}

function felt(id: string, state: 'loose' | 'firm'): JobAct {
  return { type: 'crank.observed', observation: { id, state } };
}

/** Those asked, each as it must be, and no other. */
export function asTold(feel: Feel): JobAct[] {
  return rowsOf(feel).map(({ id, told }) => felt(id, told));
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: space.small },
  name: { width: 128 },
  states: { flex: 1, minWidth: 0 },
  state: { flex: 1 },
});
