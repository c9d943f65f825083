import { formatInstant, isolationsOf, mayRestore } from '@longbar/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Act } from '../../../ui/Act';
import { Caution } from '../../../ui/Caution';
import { Field } from '../../../ui/Field';
import { TickRow } from '../../../ui/TickRow';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';

/** Able to start again: bar and pins out first, everyone clear, then every isolation undone. */
export function AbleStep({ job, after }: StepProps) {
  const { barOut, isolations, undone, toolsCounted } = job.state;
  if (!barOut) {
    return (
      <StepFrame
        job={job}
        after={after}
        act={{
          weight: 'stop',
          label: 'Bar and pins are out of the engine',
          onPress: () => job.act({ type: 'bar.out' }),
        }}
      >
        <Words as="title">Bar out first</Words>
        <Caution>
          A bar or pin left on the crank is thrown when the engine turns. Take it in your hand
          before you tap below.
        </Caution>
        <Words>Nothing else is offered until it is out.</Words>
      </StepFrame>
    );
  }
  const { people } = job.state;
  const allClear = mayRestore(job.state);
  return (
    <StepFrame job={job} after={after}>
      <Words as="heading">Make it able to start</Words>
      <Caution>
        Everyone says clear and takes their own lock off. Nobody at the rocker gear.
      </Caution>
      {people.map((person) => (
        <ClearRow key={person} job={job} person={person} />
      ))}
      <TickRow
        text={toolsText(job.setting.sheet.tools)}
        done={toolsCounted !== undefined}
        {...(toolsCounted && { note: `${toolsCounted.by}, ${formatInstant(toolsCounted.at)}` })}
        onPress={() => job.act({ type: 'tools.counted' })}
      />
      {!allClear && (
        <Words color="secondInk">Isolations come off when all are clear and tools are back.</Words>
      )}
      {allClear &&
        isolationsOf(job.setting.sheet)
          .filter(({ id }) => isolations[id]?.exempt === undefined)
          .map(({ id, undo }) => {
            const done = undone[id];
            return (
              <TickRow
                key={id}
                text={undo}
                done={done !== undefined}
                {...(done && { note: `${done.by}, ${formatInstant(done.at)}` })}
                onPress={() => job.act({ type: 'isolation.undone', isolation: id })}
              />
            );
          })}
    </StepFrame>
  );
}

function toolsText(tools: readonly string[] | undefined): string {
  return tools?.length ? `Tools counted back: ${tools.join(', ')}` : 'Tools counted back';
}

/** One person's own 'clear, my lock off'; for one not heard from, the signer goes and looks. */
function ClearRow({ job, person }: Pick<StepProps, 'job'> & { person: string }) {
  const said = job.state.clear[person];
  const [looking, setLooking] = useState(false);
  const [looked, setLooked] = useState('');
  const own = person === job.by;
  const note = said && (said.looked ? `${said.by} looked: ${said.looked}` : 'clear, lock off');
  return (
    <TickRow
      text={own ? `${person}: clear, my lock off` : `${person}: not heard from on this phone`}
      done={said !== undefined}
      {...(note && { note })}
      onPress={() => (own ? job.act({ type: 'clear.said', person }) : setLooking(true))}
    >
      {looking && !said && (
        <View style={styles.looked}>
          <Words as="note">
            Until {person} is heard from, nothing is switched on. Go and look, and write down where
            {` ${person}`} and the lock were found.
          </Words>
          <Field label="I went and looked:" value={looked} onChange={setLooked} />
          <Act
            label={`Record that ${person} is clear`}
            disabled={looked.trim() === ''}
            onPress={() => job.act({ type: 'clear.said', person, looked: looked.trim() })}
          />
        </View>
      )}
    </TickRow>
  );
}

const styles = StyleSheet.create({
  looked: { paddingHorizontal: space.medium, paddingBottom: space.medium, gap: space.small },
});
