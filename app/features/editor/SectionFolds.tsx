import { Fold } from '../../ui/Fold';
import type { LengthUnit } from '@longbar/core';
import type { QuestionProps } from './questionProps';
import { SECTIONS } from './sections';
import { UnitChoice } from './UnitChoice';

type Props = QuestionProps & {
  onUnit: (unit: LengthUnit) => void;
  /** Whether somebody asked to publish: what is wrong is said from then on. */
  tried: boolean;
};

/** The whole sheet in folded sections, each of which says in one line what it holds. */
export function SectionFolds({ draft, unit, onUnit, tried }: Props) {
  return (
    <>
      <UnitChoice unit={unit} onUnit={onUnit} />
      {SECTIONS.map(({ title, holds, paths, questions }) => {
        const mistake = tried
          ? draft.issues.find(({ path }) =>
              paths.some((own) => path === own || path.startsWith(`${own}.`)),
            )
          : undefined;
        return (
          <Fold
            key={title}
            title={title}
            holds={mistake?.message ?? holds(draft.sheet)}
            wrong={mistake !== undefined}
          >
            {questions({ draft, unit })}
          </Fold>
        );
      })}
    </>
  );
}
