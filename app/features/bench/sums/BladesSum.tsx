import type { BenchFigures, BladeSet } from '@longbar/core';
import {
  bladeStack,
  formatGapChangeInBoth,
  formatMillimetres,
  formatThou,
  plainBlades,
  stackFormula,
} from '@longbar/core';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { BladePile } from '../drawings/BladePile';
import { FigureField, useLength } from '../figure';
import { Outcome } from '../Outcome';
import { SetInHand, useSetInHand } from '../SetInHand';

/** The blades of the set in hand that make a wanted gap. */
export function BladesSum({ figures }: { figures: BenchFigures }) {
  const wanted = useLength('Wanted gap', figures.spec?.target ?? 330);
  const hand = useSetInHand();
  const { value } = wanted;
  const stack = value && value > 0 ? bladeStack(plainBlades(hand.set), value) : undefined;
  return (
    <Stack>
      <FigureField of={wanted} />
      <SetInHand hand={hand} />
      {stack && value !== undefined && (
        <>
          <BladePile blades={stack.blades} wanted={value} unit={hand.set.unit} />
          <Outcome
            figure={pile(stack.blades, hand.set.unit)}
            also={`${pile(stack.blades, hand.set.unit === 'mm' ? 'inch' : 'mm')}. ${offWords(stack.error)}`}
            formula={stackFormula(stack, hand.set.unit)}
          />
        </>
      )}
      <Words as="note" color="secondInk">
        Thin blades outside, thick ones between them; all clean and dry. Each further blade adds its
        own film of oil.
      </Words>
    </Stack>
  );
}

/** The blades as they are marked: "0.30 + 0.03 mm". */
function pile(blades: readonly number[], unit: BladeSet['unit']): string {
  const shown = unit === 'mm' ? formatMillimetres : formatThou;
  return `${blades.map(shown).join(' + ')} ${unit === 'mm' ? 'mm' : 'thou'}`;
}

function offWords(error: number): string {
  if (error === 0) return 'Exactly the wanted gap.';
  return `${formatGapChangeInBoth(error)} ${error > 0 ? 'over' : 'under'} the wanted gap.`;
}
