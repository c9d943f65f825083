import type { CylinderForm, EngineSheet } from '@longbar/core';
import { CYLINDER_FORMS, formOf } from '@longbar/core';
import { useState } from 'react';
import { useSheetsQuery } from '../../../state/api';
import { space } from '../../../theme/tokens';
import { Choice } from '../../../ui/Choice';
import { OneOf } from '../../../ui/OneOf';
import { Stack } from '../../../ui/Panel';
import { Tiles } from '../../../ui/Tiles';
import { Words } from '../../../ui/Words';
import { useSheetsBy } from '../../shared/useKnown';
import { Question } from '../Question';
import type { QuestionProps } from '../questionProps';
import { seat } from '../seat';
import { NameField } from './NameQuestion';

type Pattern = { title: string; label: string; detail: string; counts: readonly number[] };

const IN_LINE = [1, 2, 3, 4, 5, 6, 7, 8];
const VEE = [6, 8, 10, 12, 14, 16];
const PATTERNS: Record<CylinderForm, Pattern> = {
  'in-line': { title: 'In line', label: 'In line', detail: 'one row', counts: IN_LINE },
  'vee-alternating': {
    title: 'Vee, numbered across',
    label: 'Vee',
    detail: 'numbered across',
    counts: VEE,
  },
  'vee-by-bank': {
    title: 'Vee, bank by bank',
    label: 'Vee',
    detail: 'bank by bank',
    counts: VEE,
  },
};

type Props = Pick<QuestionProps, 'draft'> & {
  /** Fields hold what was typed: they begin anew from another sheet. */
  onAnew: () => void;
};

/** What a new sheet begins from: a pattern of engine, or another sheet. */
export function PatternQuestion({ draft, onAnew }: Props) {
  const { sheet, edit } = draft;
  const count = sheet.firing.order.length;
  const form = formOf(sheet, count);
  const [shown, setShown] = useState<CylinderForm>(form ?? 'in-line');
  return (
    <Question title="Which engine is it?">
      <NameField draft={draft} />
      <OneOf
        name="How the cylinders stand"
        options={CYLINDER_FORMS.map(
          (each) => [each, PATTERNS[each].label, PATTERNS[each].detail] as const,
        )}
        inFull={(each) => PATTERNS[each].title}
        chosen={shown}
        onChoose={setShown}
      />
      <OneOf
        name={PATTERNS[shown].title}
        options={PATTERNS[shown].counts.map((cylinders) => [cylinders, String(cylinders)] as const)}
        inFull={(cylinders) =>
          `${PATTERNS[shown].title}, ${cylinders} ${cylinders === 1 ? 'cylinder' : 'cylinders'}`
        }
        chosen={form === shown ? count : undefined}
        onChoose={(cylinders) => edit((next) => seat(next, cylinders, shown))}
        columns={4}
      />
      <LikeAnother
        onLike={(like) => {
          edit((next) => Object.assign(next, like, { name: next.name }));
          onAnew();
        }}
      />
    </Question>
  );
}

function LikeAnother({ onLike }: { onLike: (sheet: EngineSheet) => void }) {
  const { data = [] } = useSheetsQuery();
  const [chosen, setChosen] = useState<string>();
  const sheetBy = useSheetsBy(data.map(({ id }) => id));
  if (data.length === 0) return null;
  return (
    <Stack gap={space.small}>
      <Words as="strong">Or like another sheet, but …</Words>
      <Tiles columns={2}>
        {data.map(({ id, name }) => (
          <Choice
            key={id}
            label={name}
            name={`Like ${name}`}
            chosen={chosen === id}
            onPress={() => {
              const like = sheetBy(id)?.document;
              if (!like) return;
              setChosen(id);
              onLike(structuredClone(like));
            }}
          />
        ))}
      </Tiles>
    </Stack>
  );
}
