import { View } from 'react-native';
import { OneOf } from '../../../ui/OneOf';
import { Row } from '../../../ui/Panel';
import { NumberField, TemperatureField } from '../NumberField';
import { Question } from '../Question';
import type { QuestionProps } from '../questionProps';
import { mistakeAt } from '../questionProps';

const WORDS = { cold: 'At rest before, minutes', hot: 'Run warm before, minutes' } as const;

/** Set cold or hot, and how long it rests or runs before. One is never turned into the other. */
export function TemperatureQuestion({ draft, units }: QuestionProps) {
  const { sheet, edit } = draft;
  const { temperature } = sheet;
  return (
    <Question
      title="Set cold or hot?"
      hint="A cold figure is never turned into a hot one, nor the other way."
    >
      <ColdOrHot draft={draft} />
      {temperature?.state === 'hot' && (
        <NumberField
          label="To be done within, minutes"
          name="To be done within, minutes after shutdown"
          hint="after shutdown"
          value={temperature.windowMinutes}
          error={mistakeAt(draft, 'temperature.windowMinutes')}
          onChange={(minutes) =>
            edit((next) => {
              if (!next.temperature) return;
              if (minutes === undefined) delete next.temperature.windowMinutes;
              else next.temperature.windowMinutes = minutes;
            })
          }
        />
      )}
      {temperature && <MetalFields draft={draft} units={units} />}
    </Question>
  );
}

const STATES = [
  ['cold', 'Set cold'],
  ['hot', 'Set hot'],
] as const;

/** Cold or hot, and how long it rests or runs before. */
export function ColdOrHot({ draft }: Pick<QuestionProps, 'draft'>) {
  const { sheet, edit } = draft;
  return (
    <>
      <OneOf
        name="Cold or hot"
        options={STATES}
        chosen={sheet.temperature?.state}
        onChoose={(state) =>
          edit((next) => void (next.temperature = { ...next.temperature, state }))
        }
      />
      <SoakField draft={draft} />
    </>
  );
}

/** How long it rests, or runs, before it is read. */
function SoakField({ draft }: Pick<QuestionProps, 'draft'>) {
  const { temperature } = draft.sheet;
  if (!temperature) return null;
  return (
    <NumberField
      key={temperature.state}
      label={WORDS[temperature.state]}
      value={temperature.soakMinutes}
      error={mistakeAt(draft, 'temperature.soakMinutes')}
      onChange={(minutes) =>
        draft.edit((next) => {
          if (!next.temperature) return;
          if (minutes === undefined) delete next.temperature.soakMinutes;
          else next.temperature.soakMinutes = minutes;
        })
      }
    />
  );
}

/** Between which temperatures of the metal itself the figures hold. */
function MetalFields({ draft, units }: QuestionProps) {
  const metal = draft.sheet.temperature?.metal;
  const type = (end: 'from' | 'to') => (value: number | undefined) =>
    draft.edit((next) => {
      if (!next.temperature) return;
      const { [end]: _, ...other } = next.temperature.metal ?? {};
      const typed = { ...other, ...(value !== undefined && { [end]: value }) };
      if (Object.keys(typed).length > 0) next.temperature.metal = typed;
      else delete next.temperature.metal;
    });
  return (
    <Row>
      {(['from', 'to'] as const).map((end) => (
        <View key={end} style={{ flex: 1 }}>
          <TemperatureField
            label={`Metal ${end}`}
            units={units}
            value={metal?.[end]}
            error={mistakeAt(draft, `temperature.metal.${end}`)}
            onChange={type(end)}
          />
        </View>
      ))}
    </Row>
  );
}
