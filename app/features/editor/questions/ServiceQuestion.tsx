import { NumberField } from '../NumberField';
import { Question } from '../Question';
import type { QuestionProps } from '../questionProps';
import { mistakeAt } from '../questionProps';

const FIELDS = [
  { key: 'breakInHours', label: 'Break-in check at, hours' },
  { key: 'everyHours', label: 'Then every so many hours' },
  { key: 'everyMonths', label: 'Or every so many months, whichever first' },
  { key: 'takesMinutes', label: 'How long a check takes, as a guess, minutes' },
] as const;

/** When it is checked, and how long that takes. */
export function ServiceQuestion({ draft }: QuestionProps) {
  const { sheet, edit } = draft;
  return (
    <Question title="When is it checked?">
      {FIELDS.map(({ key, label }) => (
        <NumberField
          key={key}
          label={label}
          value={sheet.service?.[key]}
          error={mistakeAt(draft, `service.${key}`)}
          onChange={(value) =>
            edit((next) => {
              next.service ??= {};
              if (value === undefined) delete next.service[key];
              else next.service[key] = value;
            })
          }
        />
      ))}
    </Question>
  );
}
