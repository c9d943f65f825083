import type { Adjuster, WitnessedEngine } from '@longbar/core';
import { adjusterName, formatFigure, formatLength, formatSetting, measureOf } from '@longbar/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useTelling } from '../../../state/telling';
import { Act } from '../../../ui/Act';
import { Row, Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { useSetInHand } from '../../bench/SetInHand';
import { BladeRow } from '../../job/reading/BladeRow';
import type { Hands } from './useHands';

type Props = {
  adjuster: Adjuster;
  engine: WitnessedEngine;
  hands: Hands;
};

/** One adjuster in the hands: blades that enter or stop, a figure to be measured, a screw. */
export function GapInHand({ adjuster, engine, hands }: Props) {
  const { id, entry } = adjuster;
  const { spec } = entry;
  const hand = useSetInHand();
  const measure = measureOf(entry);
  const tried = useTelling(hands.tried);
  const [measured, setMeasured] = useState<number>();
  if (!spec) {
    return <Words>{adjusterName(id)} has no figure: it is set as its manual says.</Words>;
  }
  return (
    <Stack>
      <Words as="heading">{adjusterName(id)} in hand</Words>
      {measure === 'lash' ? (
        <BladeRow
          set={hand.set}
          spec={spec}
          tried={tried}
          onTap={(size) => hands.pull(id, size)}
          onTapLeaf={({ go, noGo }) => hands.pull(id, go, noGo)}
        />
      ) : (
        <Act
          label={
            measured === undefined
              ? 'Measure it'
              : `It measures ${formatSetting(measure, measured)}`
          }
          onPress={() => setMeasured(engine.measure(id, 1).go)}
        />
      )}
      {entry.method === 'shim' ? (
        <Words as="strong">The shim in its bucket says {formatLength(engine.shim(id))}.</Words>
      ) : (
        <Screw adjuster={adjuster} hands={hands} onSet={() => setMeasured(undefined)} />
      )}
    </Stack>
  );
}

/** How far the figure changes at a tap: µm, mN·m for a preload. */
const STEP = { lash: 10, height: 50, preload: 50 } as const;

/** The screw: turned until a figure is there, held, and locked. */
function Screw({
  adjuster: { id, entry },
  hands,
  onSet,
}: Pick<Props, 'adjuster' | 'hands'> & { onSet: () => void }) {
  const [off, setOff] = useState(0);
  const measure = measureOf(entry);
  const step = STEP[measure];
  const figure = (entry.spec?.target ?? 0) + off;
  return (
    <View>
      <Row>
        <Act label={`− ${formatFigure(measure, step)}`} onPress={() => setOff(off - step)} />
        <Act
          label={`Set it to ${formatSetting(measure, figure)}, hold, lock`}
          style={{ flex: 1 }}
          onPress={() => {
            hands.set(id, figure);
            onSet();
          }}
        />
        <Act label={`+ ${formatFigure(measure, step)}`} onPress={() => setOff(off + step)} />
      </Row>
    </View>
  );
}
