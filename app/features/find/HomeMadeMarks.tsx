import type { EngineSheet } from '@longbar/core';
import { formatRule, rimArc } from '@longbar/core';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';

/** How to make marks of one's own on an engine that has none. */
export function HomeMadeMarks({ sheet }: { sheet: EngineSheet }) {
  if (sheet.marks?.length) return null;
  const rim = sheet.barring?.rim;
  const cylinders = sheet.firing.order.length;
  const between = (sheet.cycle === 4 ? 720 : 360) / cylinders;
  return (
    <Stack gap={6}>
      <Words as="heading">No marks: make your own</Words>
      <Words>
        · Turn until both rockers of cylinder 1 come to rest after its intake closes and compression
        is felt. Something soft, too long to drop in, through the injector bore shows the piston at
        its highest.
      </Words>
      <Words>
        · With a dial gauge, note two equal heights either side and halve the way between: that is
        TDC.
      </Words>
      <Words>
        · Put a dab on the rim and one on the block beside it.
        {between % 360 === 0
          ? ' The same dab serves for both turns.'
          : ` The next firing TDC is ${Math.round(between)}° on.`}
      </Words>
      {rim !== undefined && (
        <Words>
          · On this rim of {formatRule(rim)}, 10° are {formatRule(rimArc(10, rim))} of arc, a third
          of a turn {formatRule(rimArc(120, rim))}.
        </Words>
      )}
    </Stack>
  );
}
