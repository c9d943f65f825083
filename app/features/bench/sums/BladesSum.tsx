import type { BenchFigures } from '@longbar/core';
import {
  OTHER_LENGTH_UNIT,
  bladeStack,
  formatGapChangeInBoth,
  formatStack,
  markedIn,
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
  const unit = markedIn(hand.set);
  const other = OTHER_LENGTH_UNIT[unit];
  const stack = value && value > 0 ? bladeStack(plainBlades(hand.set), value) : undefined;
  return (
    <Stack>
      <FigureField of={wanted} />
      <SetInHand hand={hand} />
      {stack && value !== undefined && (
        <>
          <BladePile blades={stack.blades} wanted={value} unit={unit} />
          <Outcome
            figure={`${formatStack(stack.blades, unit)} ${unit}`}
            also={`${formatStack(stack.blades, other)} ${other}. ${offWords(stack.error)}`}
            formula={stackFormula(stack, unit)}
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

function offWords(error: number): string {
  if (error === 0) return 'Exactly the wanted gap.';
  return `${formatGapChangeInBoth(error)} ${error > 0 ? 'over' : 'under'} the wanted gap.`;
}
