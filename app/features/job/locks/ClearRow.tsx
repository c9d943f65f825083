import { formatInstant, hanging, hangs, isLastLock } from '@longbar/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useAppSelector } from '../../../state/store';
import { space } from '../../../theme/tokens';
import { Act } from '../../../ui/Act';
import { Field } from '../../../ui/Field';
import { Row } from '../../../ui/Panel';
import { TickRow } from '../../../ui/TickRow';
import { Words } from '../../../ui/Words';
import { usePinFirst } from '../../people/usePinFirst';
import { useMay } from '../../people/useMay';
import type { WorkingJob } from '../model/workingJob';

type Props = { job: WorkingJob; person: string };

/**
 * One person's 'clear, my lock off': they say it themselves, on their own phone or on this one if
 * they worked with it. Of who is not heard from somebody writes down what they went and saw; a
 * lock that hangs is taken off so by a foreman only.
 */
export function ClearRow({ job, person }: Props) {
  const [asking, setAsking] = useState(false);
  const workedHere = useAppSelector(({ preferences }) => preferences.names.includes(person));
  const isForeman = useMay('foreman');
  const { state, by } = job;
  const said = state.clear[person];
  const locked = hangs(state, person);
  const own = person === by;
  const here = own || workedHere;
  if (isLastLock(state, person)) return <HoldsTheEngine {...{ job, person }} />;
  const note = said && (said.looked ? `${said.by} looked: ${said.looked}` : 'clear, lock off');
  const words = here ? 'clear, my lock off' : 'not heard from on this phone';
  return (
    <TickRow
      text={`${person}: ${words}`}
      done={said !== undefined}
      {...(note && { note })}
      onPress={() => (own ? job.act({ type: 'clear.said', person }) : setAsking(true))}
    >
      {asking && !said && (
        <View style={styles.asked}>
          {here && <IsItYou {...{ job, person }} onNot={() => setAsking(false)} />}
          {!here && (isForeman || !locked) && <WentAndLooked {...{ job, person }} />}
          {!here && !isForeman && locked && (
            <Words as="note">
              {person}’s lock hangs. Only {person} takes it off, or a foreman who went and looked.
            </Words>
          )}
        </View>
      )}
    </TickRow>
  );
}

/** The last lock on an open engine stays where it is. */
function HoldsTheEngine({ job, person }: Props) {
  const since = hanging(job.state).find((lock) => lock.person === person)?.hung;
  return (
    <View>
      <Words>
        {person}: lock hangs{since === undefined ? '' : ` since ${formatInstant(since)}`}
      </Words>
      <Words as="note" color="secondInk">
        It is the last one on an open engine. The next one’s lock hangs before this one comes off.
      </Words>
    </View>
  );
}

/** Another than the one who works with this phone now: they tap for themselves. */
function IsItYou({ job, person, onNot }: Props & { onNot: () => void }) {
  const { pinFirst, asking } = usePinFirst();
  return (
    <>
      {asking}
      <Words as="note">{person} says this, nobody for them.</Words>
      <Row>
        <Act label={`I am not ${person}`} style={styles.grow} onPress={onNot} />
        <Act
          byHand
          label={`I am ${person}: clear, lock off`}
          style={styles.grow}
          onPress={() => pinFirst(person, () => job.actAs(person, { type: 'clear.said', person }))}
        />
      </Row>
    </>
  );
}

function WentAndLooked({ job, person }: Props) {
  const [looked, setLooked] = useState('');
  return (
    <>
      <Words as="note">
        Until {person} is heard from, nothing is switched on. Go and look, and write down where
        {` ${person}`} and the lock were found.
      </Words>
      <Field label="I went and looked:" value={looked} onChange={setLooked} />
      <Act
        byHand
        label={`Record that ${person} is clear`}
        disabled={looked.trim() === ''}
        onPress={() => job.act({ type: 'clear.said', person, looked: looked.trim() })}
      />
    </>
  );
}

const styles = StyleSheet.create({
  asked: { paddingHorizontal: space.medium, paddingBottom: space.medium, gap: space.small },
  grow: { flex: 1 },
});
