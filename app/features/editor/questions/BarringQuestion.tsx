import { NumberField, RuleField } from '../NumberField';
import { Question } from '../Question';
import type { QuestionProps } from '../questionProps';
import { mistakeAt } from '../questionProps';

/** What it is barred with. */
export function BarringQuestion({ draft, units }: QuestionProps) {
  const { sheet, edit } = draft;
  const type = (key: 'ratio' | 'rim' | 'teeth') => (value: number | undefined) =>
    edit((next) => {
      next.barring ??= {};
      if (value === undefined) delete next.barring[key];
      else next.barring[key] = value;
    });
  const field = (key: 'ratio' | 'rim' | 'teeth') => ({
    value: sheet.barring?.[key],
    error: mistakeAt(draft, `barring.${key}`),
    onChange: type(key),
  });
  return (
    <Question
      title="What is it barred with?"
      hint="So that the way to a stop is also said in turns of the tool."
    >
      <NumberField label="Tool turns for one of the crank" {...field('ratio')} />
      <NumberField label="Teeth of its ratchet" {...field('teeth')} />
      <RuleField label="Rim of the pulley, diameter" units={units} {...field('rim')} />
    </Question>
  );
}
