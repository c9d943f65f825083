import { Fold } from '../../ui/Fold';
import type { QuestionProps } from './questionProps';
import { SECTIONS } from './sections';
import type { UnitsProps } from './UnitChoice';
import { UnitChoice } from './UnitChoice';

type Props = QuestionProps &
  UnitsProps & {
    /** Whether somebody asked to publish: what is wrong is said from then on. */
    tried: boolean;
  };

/** The whole sheet in folded sections, each of which says in one line what it holds. */
export function SectionFolds({ draft, units, onUnits, tried }: Props) {
  return (
    <>
      <UnitChoice torques {...{ units, onUnits }} />
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
            {questions({ draft, units })}
          </Fold>
        );
      })}
    </>
  );
}
