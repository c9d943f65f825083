import type { InstructionTo, JobAct } from '@longbar/core';
import { barSums, describeBar, describeFeel, describeOdd } from '@longbar/core';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { EngineDial } from '../../../drawing/EngineDial';
import { Act } from '../../../ui/Act';
import { Caution } from '../../../ui/Caution';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';
import { crankAngle, jobCells } from '../engine/jobCells';
import { JobMap } from '../engine/JobMap';
import { StepFrame } from '../frame/StepFrame';
import { TurnedByAnother } from '../helper/TurnedByAnother';
import { helperOf, useTurner } from '../helper/Turner';
import type { StepProps } from '../model/stepProps';
import { asTold } from './FeelThere';
import { pastWords } from './pastWords';
import { StandsAtOther } from './StandsAtOther';
import { WentPast } from './WentPast';

type Props = Pick<StepProps, 'job' | 'wide' | 'after'> & { instruction: InstructionTo<'bar'> };

/** On the way to a stop: how far, which way, what is seen there, and what the rockers must do. */
export function BarTo({ job, wide, after, instruction }: Props) {
  const { width } = useWindowDimensions();
  const turner = useTurner();
  const { sheet } = job.setting;
  const { turned, least = 0, most = 0, to, feel, sight, rotation } = instruction;
  const turn = Math.round(turned.degrees ?? 0);
  const says = describeBar(instruction);
  const from = crankAngle(job);
  const bar: JobAct = {
    type: 'crank.turned',
    how: 'barred',
    ...turned,
    ...(to !== undefined && { to }),
    ...helperOf(turner),
  };
  const seen: JobAct[] =
    sight && sight !== 'any-mark' ? [{ type: 'crank.observed', observation: sight }] : [];
  const told = asTold(feel);
  const { ratio, teeth } = sheet.barring ?? {};
  const toolSums = barSums(turn, { ratio, teeth });
  const seenFrom = rotation ? `seen from the ${rotation.seenFrom}` : '';
  return (
    <StepFrame
      job={job}
      after={after}
      primary={
        <Act
          weight="primary"
          label={told.length > 0 ? 'There, all as told' : 'There'}
          onPress={() => job.act(bar, ...seen, ...told)}
        />
      }
    >
      <View style={styles.centre}>
        <Words as="title" style={styles.centred}>
          {says.what}
        </Words>
        <Words color="secondInk" style={styles.centred}>
          {[
            ...(most - least > 2 ? [`${Math.round(least)}° to ${Math.round(most)}°`] : []),
            ...(seenFrom ? [seenFrom] : []),
            ...toolSums.map(({ says }) => says),
          ].join(' · ')}
        </Words>
        {!wide && (
          <EngineDial
            {...{ sheet, rotation, turn }}
            at={from}
            spans={job.crank.belief.plausible}
            size={184}
          />
        )}
        <Words as="strong" style={styles.centred}>
          {says.sight}
        </Words>
        <Words as="note" color="secondInk" style={styles.centred}>
          {pastWords(sheet)}
        </Words>
      </View>
      <Caution>Pins out before the turn, fingers clear of the rockers while anyone turns.</Caution>
      <Words as="heading">There: {describeFeel(feel)}</Words>
      {describeOdd(job.crank.belief.odd).map((text) => (
        <Words key={text} as="strong" color="stop">
          {text}
        </Words>
      ))}
      {told.length > 0 && (
        <Act label="There, but one is otherwise" onPress={() => job.act(bar, ...seen)} />
      )}
      <WentPast job={job} planned={turn} />
      {rotation && (
        <TurnedByAnother beside={<StandsAtOther rotation={rotation} style={styles.grow} />} />
      )}
      {!wide && (
        <JobMap job={job} cells={jobCells(job, { at: to })} width={width - 2 * space.large} />
      )}
    </StepFrame>
  );
}

const styles = StyleSheet.create({
  centre: { alignItems: 'center', gap: space.hair },
  centred: { textAlign: 'center' },
  grow: { flex: 1 },
});
