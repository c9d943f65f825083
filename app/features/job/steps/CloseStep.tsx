import { closingItems, isReadyForCovers } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { Act } from '../../../ui/Act';
import { Row } from '../../../ui/Panel';
import { TickRow } from '../../../ui/TickRow';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';
import { Attachments } from '../../shared/Attachments';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';
import { useTorqueRun } from '../torque/useTorqueRun';

/** Close up: each thing ticked by itself; of the gasket, whether it is new or kept. */
export function CloseStep({ job, after }: StepProps) {
  const done = (item: string, note?: string) =>
    job.act({ type: 'closing.done', item, ...(note !== undefined && { note }) });
  const items = closingItems(job.setting.sheet, job.state);
  const covers = useTorqueRun(job, 'close');
  const ready = isReadyForCovers(job.setting.sheet, job.state);
  return (
    <StepFrame job={job} after={after} {...(covers && ready && { act: covers.act })}>
      <Words as="heading">Close up</Words>
      {covers && ready && covers.body}
      {items.map(({ id, text, attachments }) => {
        const ticked = job.state.closing[id];
        const note = ticked && [ticked.note, ticked.by].filter(Boolean).join(', ');
        const row = { text, done: ticked !== undefined, ...(note && { note }) };
        if (id !== 'gasket') {
          return (
            <TickRow key={id} {...row} onPress={() => done(id)}>
              <Attachments attached={attachments} />
            </TickRow>
          );
        }
        return (
          <TickRow key={id} {...row} onPress={() => done(id, 'new')}>
            <View style={styles.gasket}>
              <Row>
                <Act label="New gasket" style={styles.grow} onPress={() => done(id, 'new')} />
                <Act
                  label="Looked at, kept"
                  style={styles.grow}
                  onPress={() => done(id, 'looked at and kept')}
                />
              </Row>
            </View>
          </TickRow>
        );
      })}
      {covers && !ready && (
        <Words color="secondInk">Then the covers: run down in rounds, bolt by bolt.</Words>
      )}
    </StepFrame>
  );
}

const styles = StyleSheet.create({
  gasket: { paddingHorizontal: space.medium, paddingBottom: space.medium },
  grow: { flex: 1 },
});
