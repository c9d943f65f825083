import { Choice } from '../../../theme/Choice';
import { Row } from '../../../theme/Panel';
import { NumberField } from '../NumberField';
import { Question } from '../Question';
import type { QuestionProps } from '../questionProps';
import { mistakeAt } from '../questionProps';

const WORDS = { cold: 'At rest before, minutes', hot: 'Run warm before, minutes' } as const;

/** Set cold or hot, and how long it rests or runs before. One is never turned into the other. */
export function TemperatureQuestion({ draft }: QuestionProps) {
  const { sheet, edit } = draft;
  const { temperature } = sheet;
  return (
    <Question
      title="Set cold or hot?"
      hint="A cold figure is never turned into a hot one, nor the other way."
    >
      <Row>
        {(['cold', 'hot'] as const).map((state) => (
          <Choice
            key={state}
            label={`Set ${state}`}
            chosen={temperature?.state === state}
            onPress={() => edit((next) => void (next.temperature = { ...next.temperature, state }))}
          />
        ))}
      </Row>
      {temperature && (
        <NumberField
          label={WORDS[temperature.state]}
          value={temperature.soakMinutes}
          error={mistakeAt(draft, 'temperature.soakMinutes')}
          onChange={(minutes) =>
            edit((next) => {
              if (!next.temperature) return;
              if (minutes === undefined) delete next.temperature.soakMinutes;
              else next.temperature.soakMinutes = minutes;
            })
          }
        />
      )}
    </Question>
  );
}
