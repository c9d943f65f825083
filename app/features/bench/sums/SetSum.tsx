import type { BenchFigures, LengthUnit, MetBy, Spec } from '@longbar/core';
import {
  formatInBoth,
  formatSetting,
  markedIn,
  plainBlades,
  setDecides,
  stackFormula,
} from '@longbar/core';
import { View } from 'react-native';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { LimitScale } from '../drawings/LimitScale';
import type { Figure } from '../figure';
import { FigureField, useLength } from '../figure';
import { Outcome } from '../Outcome';
import { SetInHand, useSetInHand } from '../SetInHand';

/** What the set in hand can decide of a setting, and which stack helps where it cannot. */
export function SetSum({ figures: { spec } }: { figures: BenchFigures }) {
  const low = useLength('Lower limit', spec?.low ?? 280);
  const target = useLength('Target', spec?.target ?? 330);
  const high = useLength('Upper limit', spec?.high ?? 380);
  const hand = useSetInHand();
  const asked = specOf(low, target, high);
  const met = asked ? setDecides(hand.set, asked) : [];
  const open = met.filter(({ by }) => !by);
  return (
    <Stack>
      <FigureField of={low} />
      <FigureField of={target} />
      <FigureField of={high} />
      <SetInHand hand={hand} />
      {asked ? (
        <>
          <LimitScale spec={asked} blades={plainBlades(hand.set)} met={met} />
          <Outcome
            figure={open.length === 0 ? 'This set decides it.' : 'This set leaves it open.'}
            also={
              open.length === 0 ? undefined : 'Between blades nobody can tell inside from outside.'
            }
          />
          <View role="list">
            {met.map((each) => (
              <Words key={each.figure} role="listitem">
                {metWords(each, markedIn(hand.set))}
              </Words>
            ))}
          </View>
        </>
      ) : (
        <Words as="note">The target lies between the two limits.</Words>
      )}
    </Stack>
  );
}

function specOf(low: Figure, target: Figure, high: Figure): Spec | undefined {
  const spec = { low: low.value ?? NaN, target: target.value ?? NaN, high: high.value ?? NaN };
  return spec.low < spec.high && spec.low <= spec.target && spec.target <= spec.high
    ? spec
    : undefined;
}

const NAMES: Record<MetBy['figure'], string> = {
  low: 'Lower limit',
  target: 'Target',
  high: 'Upper limit',
};

const gap = (size: number) => formatSetting('lash', size);

/** How a figure is met; stacks in the unit that their blades are marked in. */
function metWords({ figure, size, by, between, nearest }: MetBy, unit: LengthUnit): string {
  const name = `${NAMES[figure]}, ${gap(size)}: `;
  if (by?.of) return `${name}the stack ${stackFormula({ blades: by.of, sum: by.size }, unit)}.`;
  if (by) return `${name}the blade ${formatInBoth('lash', by.size)}.`;
  const above = between?.above ?? null;
  const place =
    above === null
      ? `beyond the thickest, ${gap(between?.below ?? 0)}`
      : `between ${gap(between?.below ?? 0)} and ${gap(above)}`;
  return `${name}${place}${nearest ? `; nearest is ${stackFormula(nearest, unit)}` : ''}.`;
}
