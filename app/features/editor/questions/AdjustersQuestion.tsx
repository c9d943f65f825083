import type { AdjusterEntry, AdjusterKind } from '@longbar/core';
import { Choice } from '../../../ui/Choice';
import { Tiles } from '../../../ui/Tiles';
import { Question } from '../Question';
import type { QuestionProps } from '../questionProps';
import { mistakeAt } from '../questionProps';
import { AdjusterCard } from './AdjusterCard';

const KINDS = ['intake', 'exhaust', 'injector', 'brake', 'bridge'] as const;

/** How a kind usually begins; where it is set and its figures come from the manual. */
const BEGIN: Record<AdjusterKind, AdjusterEntry> = {
  intake: { kind: 'intake', setAt: 'base', method: 'screw' },
  exhaust: { kind: 'exhaust', setAt: 'base', method: 'screw' },
  injector: { kind: 'injector', method: 'screw', measure: 'height' },
  brake: { kind: 'brake', method: 'screw' },
  bridge: { kind: 'bridge', method: 'screw', lobe: 'exhaust' },
};

/** What is set on this engine, and to which figures. */
export function AdjustersQuestion({ draft, units }: QuestionProps) {
  const { sheet, edit } = draft;
  const toggle = (kind: AdjusterKind) =>
    edit((next) => {
      const place = next.adjusters.findIndex((entry) => entry.kind === kind);
      if (place >= 0) next.adjusters.splice(place, 1);
      else next.adjusters.push({ ...BEGIN[kind] });
    });
  return (
    <>
      <Question
        title="What is set at one opening?"
        hint="Everything the manual has set with the covers off."
        mistake={sheet.adjusters.length === 0 ? mistakeAt(draft, 'adjusters') : undefined}
      >
        <Tiles columns={3}>
          {KINDS.map((kind) => (
            <Choice
              key={kind}
              label={kind}
              name={`Set the ${kind}`}
              several
              chosen={sheet.adjusters.some((entry) => entry.kind === kind)}
              onPress={() => toggle(kind)}
            />
          ))}
        </Tiles>
      </Question>
      {sheet.adjusters.map((entry, place) => (
        <AdjusterCard key={entry.kind} {...{ draft, units, entry, place }} />
      ))}
    </>
  );
}
