import type { BarringMethod, EngineSheet } from '@longbar/core';
import { BARRING_METHODS, isRefused, planWork, METHOD_TITLES } from '@longbar/core';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Choice } from '../../ui/Choice';
import { Tiles } from '../../ui/Tiles';

type Props = {
  sheet: EngineSheet;
  chosen: BarringMethod | undefined;
  onChoose: (method: BarringMethod) => void;
};

/** The methods that this engine can be barred by, and how many stops each then has. */
export function MethodChoice({ sheet, chosen, onChoose }: Props) {
  const methods = useMemo(() => methodsOf(sheet), [sheet]);
  return (
    <View role="radiogroup" aria-label="Method">
      <Tiles columns={2}>
        {methods.map(({ method, stops }) => (
          <Choice
            key={method}
            label={METHOD_TITLES[method]}
            detail={stops === 1 ? '1 stop' : `${stops} stops`}
            name={METHOD_TITLES[method]}
            chosen={chosen === method}
            onPress={() => onChoose(method)}
          />
        ))}
      </Tiles>
    </View>
  );
}

function methodsOf(sheet: EngineSheet): { method: BarringMethod; stops: number }[] {
  return BARRING_METHODS.flatMap((method) => {
    const work = planWork(sheet, { method });
    return isRefused(work) ? [] : [{ method, stops: work.stops.length }];
  });
}
