import type { Adjuster, FirstPosition, PositionJudgement, RockerFeel } from '@longbar/core';
import { adjusterName, firstPosition, firingOf, firingTdc, judgePosition } from '@longbar/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Act } from '../../../theme/Act';
import { Caution } from '../../../theme/Caution';
import { Choice } from '../../../theme/Choice';
import { Row, Stack } from '../../../theme/Panel';
import { space } from '../../../theme/tokens';
import { Words } from '../../../theme/Words';
import { EngineDial } from '../../../drawing/EngineDial';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';
import { foundAt } from './foundAt';
import { LocateStep } from './LocateStep';

/**
 * Find position: at the mark, the turn told by four rockers; by any rocker at all where the
 * engine has no such mark or mate, or where it is chosen.
 */
export function FindStep(props: StepProps) {
  const { sheet } = props.job.setting;
  const [anyRocker, setAnyRocker] = useState(props.job.state.observations.length > 0);
  const position = firstPosition(sheet);
  if (!position || position.mark === undefined) return <LocateStep {...props} />;
  const other = (
    <>
      <Act
        label={anyRocker ? 'By the mark and four rockers' : 'Mark not in sight? By any rocker'}
        onPress={() => setAnyRocker(!anyRocker)}
      />
      {props.after}
    </>
  );
  if (anyRocker) return <LocateStep {...props} after={other} />;
  return <AtTheMark {...props} position={position} after={other} />;
}

function AtTheMark({ job, wide, after, position }: StepProps & { position: FirstPosition }) {
  const { sheet } = job.setting;
  const judgement = judgePosition(sheet, job.state.felt, position);
  const found = 'found' in judgement ? judgement : undefined;
  return (
    <StepFrame
      job={job}
      after={after}
      act={{
        label: found ? `No. ${found.firing} is firing: go on` : 'All four must agree first',
        disabled: !found,
        onPress: () => found && job.act(...foundAt(found.found)),
      }}
    >
      <ToTheMark job={job} position={position} wide={wide} />
      <Caution>
        No fingers between rocker and valve while anyone turns. Timing and barring pins out before
        every turn; never by the starter.
      </Caution>
      <Words as="heading">At the mark: what do these do?</Words>
      {[position.cylinder, position.mate].map((cylinder) => (
        <Stack key={cylinder} gap={space.small}>
          {position.rockers
            .filter((rocker) => rocker.cylinder === cylinder)
            .map((rocker) => (
              <RockerChoice key={rocker.id} job={job} rocker={rocker} />
            ))}
        </Stack>
      ))}
      <Told judgement={judgement} position={position} />
    </StepFrame>
  );
}

function ToTheMark({
  job,
  position,
  wide,
}: Pick<StepProps, 'job' | 'wide'> & { position: FirstPosition }) {
  const { sheet } = job.setting;
  const { mark, cylinder } = position;
  const { sense = 'clockwise', seenFrom = 'front' } = sheet.rotation ?? {};
  const firing = firingOf(sheet);
  return (
    <View style={styles.mark}>
      <Words as="title" style={styles.centred}>
        {mark === undefined ? `Bar to No. ${cylinder} at TDC` : `Bar to mark ${mark}`}
      </Words>
      <Words color="secondInk" style={styles.centred}>
        {sense}, seen from the {seenFrom}. The mark tells the crank, not the turn.
      </Words>
      {!wide && <EngineDial sheet={sheet} at={firingTdc(firing, cylinder)} size={176} />}
    </View>
  );
}

const FEELS: { feel: RockerFeel; label: string }[] = [
  { feel: 'loose', label: 'loose' },
  { feel: 'firm', label: 'firm' },
  { feel: 'moving', label: 'moving' },
];

function RockerChoice({ job, rocker }: Pick<StepProps, 'job'> & { rocker: Adjuster }) {
  const felt = job.state.felt[rocker.id];
  const name = adjusterName(rocker.id);
  return (
    <View style={styles.rocker}>
      <Words as="strong" style={styles.name}>
        {name}
      </Words>
      <Row style={styles.feels}>
        {FEELS.map(({ feel, label }) => (
          <Choice
            key={feel}
            label={label}
            name={`${name} ${label}`}
            chosen={felt === feel}
            onPress={() => job.act({ type: 'rocker.felt', adjuster: rocker.id, state: feel })}
          />
        ))}
      </Row>
    </View>
  );
}

function Told({ judgement, position }: { judgement: PositionJudgement; position: FirstPosition }) {
  if ('found' in judgement) {
    const other = judgement.firing === position.cylinder ? position.mate : position.cylinder;
    return (
      <Words as="strong" role="status">
        No. {judgement.firing} both loose, No. {other} not: No. {judgement.firing} is at firing TDC.
      </Words>
    );
  }
  if ('waiting' in judgement) {
    return (
      <Words as="note" color="secondInk" role="status">
        A valve with no lash feels firm at compression, so the turn is told by four rockers, not
        one.
      </Words>
    );
  }
  return (
    <Stack gap={space.small}>
      <Words as="strong" color="stop" role="alert">
        They do not agree. Before anything is set, check:
      </Words>
      {judgement.check.map((text) => (
        <Words key={text}>· {text}</Words>
      ))}
    </Stack>
  );
}

const styles = StyleSheet.create({
  mark: { alignItems: 'center', gap: space.hair },
  centred: { textAlign: 'center' },
  rocker: { flexDirection: 'row', alignItems: 'center', gap: space.small },
  name: { width: 104 },
  feels: { flex: 1, minWidth: 0 },
});
