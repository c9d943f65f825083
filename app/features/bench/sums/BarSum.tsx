import type { BenchFigures } from '@longbar/core';
import { barSums } from '@longbar/core';
import { View } from 'react-native';
import { CrankDial } from '../../../drawing/CrankDial';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { FigureField, useFigure, useRule } from '../figure';
import { Outcome } from '../Outcome';

/** Degrees of the crank as arc along a rim, as turns and clicks of the barring tool. */
export function BarSum({ figures: { degrees, tool } }: { figures: BenchFigures }) {
  const turn = useFigure('Degrees of the crank', degrees ?? 120);
  const rim = useRule('Rim of the pulley, diameter', tool?.rim ?? 200_000);
  const ratio = useFigure('Tool turns for one of the crank', tool?.ratio);
  const teeth = useFigure('Clicks of its ratchet a turn', tool?.teeth);
  const sums =
    turn.value === undefined
      ? []
      : barSums(turn.value, {
          rim: rim.value,
          ratio: ratio.value,
          teeth: teeth.value,
        });
  return (
    <Stack>
      <FigureField of={turn} />
      <FigureField of={rim} />
      <FigureField of={ratio} />
      <FigureField of={teeth} />
      <View style={{ alignItems: 'center' }}>
        <CrankDial
          at={0}
          marks={[]}
          sense="clockwise"
          turn={Math.min(Math.max(turn.value ?? 0, 0), 359)}
          size={200}
          says={`${turn.value ?? 0}° of the crank, along the rim of the pulley`}
        />
      </View>
      {sums.map((sum) => (
        <Outcome key={sum.what} figure={sum.says} formula={sum.formula} />
      ))}
      <Words as="note" color="secondInk">
        Count from where the slack of the tool is taken up, and never back past it.
      </Words>
    </Stack>
  );
}
