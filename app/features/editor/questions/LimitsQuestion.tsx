import type { QuestionProps } from '../questionProps';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { space } from '../../../theme/tokens';
import { Question } from '../Question';
import type { UnitsProps } from '../UnitChoice';
import { UnitChoice } from '../UnitChoice';
import { Figures } from './Figures';
import { ColdOrHot } from './TemperatureQuestion';

/** What a first job needs of the figures: lash of the valves, and whether cold or hot. */
export function LimitsQuestion({ draft, units, onUnits }: QuestionProps & UnitsProps) {
  const { sheet } = draft;
  const valves = sheet.adjusters.flatMap((entry, place) =>
    entry.kind === 'intake' || entry.kind === 'exhaust' ? [{ entry, place }] : [],
  );
  return (
    <Question title="Which lash, and cold or hot?" hint="From the manual’s page, as it is printed.">
      <UnitChoice torques={false} {...{ units, onUnits }} />
      {valves.map(({ entry, place }) => (
        <Stack key={entry.kind} gap={space.small}>
          <Words as="strong">{entry.kind === 'intake' ? 'Intake' : 'Exhaust'}</Words>
          <Figures {...{ draft, units, entry, place }} />
        </Stack>
      ))}
      <ColdOrHot draft={draft} />
    </Question>
  );
}
