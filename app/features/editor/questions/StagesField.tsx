import type { TorqueStage } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { space } from '../../../theme/tokens';
import { Act } from '../../../ui/Act';
import { Row, Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { NumberField } from '../NumberField';
import { Choices } from './Choices';

const KINDS = ['% of it', 'N·m', 'degrees on'] as const;
type Kind = (typeof KINDS)[number];
const KEYS = { '% of it': 'percent', 'N·m': 'torque', 'degrees on': 'angle' } as const;

type Props = { of: string; stages: TorqueStage[]; onStages: (stages: TorqueStage[]) => void };

/** The stages of a sequence, one after the other. */
export function StagesField({ of, stages, onStages }: Props) {
  const put = (place: number, stage: TorqueStage) =>
    onStages(stages.map((each, i) => (i === place ? stage : each)));
  return (
    <Stack gap={space.small}>
      <Words as="strong">Stages</Words>
      {stages.map((stage, place) => {
        const kind = kindOf(stage);
        const name = `${of}, stage ${place + 1}`;
        return (
          <View key={place} style={styles.stage}>
            <Choices
              title={`Stage ${place + 1}`}
              of={name}
              options={KINDS}
              chosen={kind}
              onChoose={(next) => put(place, stageOf(next, NaN))}
            />
            <NumberField
              key={kind}
              label={`${name}, ${kind}`}
              value={figureOf(stage)}
              onChange={(figure) => put(place, stageOf(kind, figure ?? NaN))}
            />
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
  return 'percent' in stage ? '% of it' : 'torque' in stage ? 'N·m' : 'degrees on';
}

function stageOf(kind: Kind, figure: number): TorqueStage {
  return kind === '% of it'
    ? { percent: figure }
    : kind === 'N·m'
      ? { torque: figure }
      : { angle: figure };
}

function figureOf(stage: TorqueStage): number {
  return Number(Reflect.get(stage, KEYS[kindOf(stage)]));
}

const styles = StyleSheet.create({
  stage: { gap: space.small },
  grow: { flex: 1 },
});
