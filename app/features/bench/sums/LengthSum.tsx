import type { BenchFigures } from '@longbar/core';
import { formatInBoth, formatLength, formatThou, takenFor, unitsShown } from '@longbar/core';
import { View } from 'react-native';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { TwinScale } from '../drawings/TwinScale';
import { FigureField, useLength } from '../figure';
import { Outcome } from '../Outcome';

/** Millimetres and thou, and what a gap is mistaken for when its unit or its point slips. */
export function LengthSum({ figures }: { figures: BenchFigures }) {
  const length = useLength('Gap', figures.spec?.target ?? 330);
  const value = length.value !== undefined && length.value > 0 ? length.value : undefined;
  return (
    <Stack>
      <FigureField of={length} />
      <Words as="note" color="secondInk">
        In {unitsShown().length} unless the unit stands behind it: 13 thou, .013 in, 0.33 mm.
      </Words>
      {value !== undefined && (
        <>
          <TwinScale
            above={{ unit: 'mm', whole: (value * 1.5) / 1000 }}
            below={{ unit: 'thou', whole: (value * 1.5) / 25.4 }}
            share={2 / 3}
            says={`${formatLength(value)} is ${formatThou(value)} thou`}
          />
          <Outcome
            figure={formatInBoth('lash', value)}
            also={`${thou.format(value / 25_400)} in`}
            formula={`${formatLength(value)} / 0.0254 = ${thou.format(value / 25.4)} thou`}
          />
          <Words as="heading">What it is taken for</Words>
          <View role="list">
            {takenFor(value).map(({ how, size }) => (
              <Words key={how} role="listitem">
                {how}: {formatInBoth('lash', size)}
              </Words>
            ))}
          </View>
        </>
      )}
    </Stack>
  );
}

const thou = new Intl.NumberFormat('en', { maximumFractionDigits: 4, useGrouping: false });
