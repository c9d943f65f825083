import type { TorqueStage, Units } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { space } from '../../../theme/tokens';
import { Act } from '../../../ui/Act';
import { Row, Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { NumberField, TorqueField } from '../NumberField';
import { Choices } from './Choices';

const KINDS = ['percent', 'torque', 'angle'] as const;
type Kind = (typeof KINDS)[number];

type Props = {
  of: string;
  units: Units;
  stages: TorqueStage[];
  onStages: (stages: TorqueStage[]) => void;
};

/** The stages of a sequence, one after the other. */
export function StagesField({ of, units, stages, onStages }: Props) {
  const titles = { percent: '% of it', torque: units.torque, angle: 'degrees on' } as const;
  const put = (place: number, stage: TorqueStage) =>
    onStages(stages.map((each, i) => (i === place ? stage : each)));
  return (
    <Stack gap={space.small}>
      <Words as="strong">Stages</Words>
      {stages.map((stage, place) => {
        const kind = kindOf(stage);
        const name = `${of}, stage ${place + 1}`;
        const field = {
          value: figureOf(stage),
          onChange: (figure: number | undefined) => put(place, STAGES[kind](figure ?? NaN)),
        };
        return (
          <View key={place} style={styles.stage}>
            <Choices
              title={`Stage ${place + 1}`}
              of={name}
              options={KINDS.map((each) => titles[each])}
              chosen={titles[kind]}
              onChoose={(title) =>
                put(place, STAGES[KINDS.find((each) => titles[each] === title) ?? kind](NaN))
              }
            />
            {kind === 'torque' ? (
              <TorqueField label={name} units={units} {...field} />
            ) : (
              <NumberField key={kind} label={`${name}, ${titles[kind]}`} {...field} />
            )}
          </View>
        );
      })}
      <Row>
        <Act
          label="Add a stage"
          name={`Add a stage to ${of}`}
          icon="add"
          style={styles.grow}
          onPress={() => onStages([...stages, { percent: 100 }])}
        />
        {stages.length > 1 && (
          <Act
            label="Take the last out"
            name={`Take the last out, stage of ${of}`}
            style={styles.grow}
            onPress={() => onStages(stages.slice(0, -1))}
          />
        )}
      </Row>
    </Stack>
  );
}

function kindOf(stage: TorqueStage): Kind {
  return KINDS.find((kind) => kind in stage) ?? 'angle';
}

const STAGES: Record<Kind, (figure: number) => TorqueStage> = {
  percent: (percent) => ({ percent }),
  torque: (torque) => ({ torque }),
  angle: (angle) => ({ angle }),
};

function figureOf(stage: TorqueStage): number {
  return Number(Reflect.get(stage, kindOf(stage)));
}

const styles = StyleSheet.create({
  stage: { gap: space.small },
  grow: { flex: 1 },
});
