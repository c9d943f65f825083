import type { Isolation } from '@longbar/core';
import { formatInstant, hanging, isolationsOf, isolationsToDo, opensAgain } from '@longbar/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Act } from '../../../ui/Act';
import { Caution } from '../../../ui/Caution';
import { Field } from '../../../ui/Field';
import { Row } from '../../../ui/Panel';
import { TickRow } from '../../../ui/TickRow';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';
import { StepFrame } from '../frame/StepFrame';
import { LocksHanging } from '../locks/HangLock';
import type { StepProps } from '../model/stepProps';
import { OpensAgain } from './OpensAgain';

/** Made unable to start: the sheet's own list, each by itself. */
export function UnableStep({ job, after }: StepProps) {
  const { sheet } = job.setting;
  const again = opensAgain(job.setting, job.state);
  const toDo = isolationsToDo(sheet, job.state, again).map(({ id }) => id);
  return (
    <StepFrame job={job} after={after}>
      <Words as="heading">Make it unable to start</Words>
      <OpensAgain job={job} />
      <Caution>
        It can fire from being barred by hand. Nothing is barred until every line is done.
      </Caution>
      {isolationsOf(sheet).map((isolation) => (
        <IsolationRow
          key={isolation.id}
          {...{ job, isolation }}
          open={toDo.includes(isolation.id)}
        />
      ))}
      <OwnLock job={job} />
    </StepFrame>
  );
}

/** One's own lock on all of it, with those of the others. */
function OwnLock({ job }: Pick<StepProps, 'job'>) {
  const { state, by } = job;
  const own = hanging(state).find(({ person }) => person === by);
  return (
    <>
      <TickRow
        text={`${by}: my own lock hangs`}
        done={own !== undefined}
        {...(own && { note: `since ${formatInstant(own.hung)}` })}
        onPress={() => job.act({ type: 'lock.hung' })}
      />
      <LocksHanging job={job} but={by} />
    </>
  );
}

type RowProps = Pick<StepProps, 'job'> & { isolation: Isolation; open: boolean };

function IsolationRow({ job, isolation, open }: RowProps) {
  const done = open ? undefined : job.state.isolations[isolation.id];
  const [exempting, setExempting] = useState(false);
  const [reason, setReason] = useState('');
  const note =
    done &&
    (done.exempt !== undefined
      ? `Does not apply: ${done.exempt}`
      : `${done.by}, ${formatInstant(done.at)}`);
  return (
    <TickRow
      text={isolation.text}
      done={done !== undefined}
      {...(note && { note })}
      onPress={() => job.act({ type: 'isolation.done', isolation: isolation.id })}
      beside={
        !exempting && (
          <Act
            label="Does not apply"
            name={`Does not apply: ${isolation.text}`}
            onPress={() => setExempting(true)}
            style={styles.quiet}
          />
        )
      }
    >
      {exempting && (
        <View style={styles.exempt}>
          <Field label="Why it does not apply" value={reason} onChange={setReason} autoFocus />
          <Row>
            <Act label="Not now" onPress={() => setExempting(false)} style={styles.grow} />
            <Act
              byHand
              label="Record the reason"
              disabled={reason.trim() === ''}
              style={styles.grow}
              onPress={() =>
                job.act({
                  type: 'isolation.exempted',
                  isolation: isolation.id,
                  reason: reason.trim(),
                })
              }
            />
          </Row>
        </View>
      )}
    </TickRow>
  );
}

const styles = StyleSheet.create({
  exempt: { paddingHorizontal: space.medium, paddingBottom: space.medium, gap: space.small },
  quiet: { borderWidth: 0, borderLeftWidth: 1.5, borderRadius: 0, width: 104 },
  grow: { flex: 1 },
});
