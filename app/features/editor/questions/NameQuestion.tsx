import { TypedField } from '../TypedField';
import { Question } from '../Question';
import type { QuestionProps } from '../questionProps';
import { mistakeAt } from '../questionProps';

const SOURCE = [
  { key: 'title', label: 'Title of the manual' },
  { key: 'page', label: 'Page' },
  { key: 'revision', label: 'Revision of the manual' },
  { key: 'checked', label: 'Last checked on, as 2026-05-02' },
] as const;

/** What the engine is called. */
export function NameField({ draft }: Pick<QuestionProps, 'draft'>) {
  const { sheet, edit } = draft;
  return (
    <TypedField
      label="Name of the engine"
      value={sheet.name}
      onChange={(name) => edit((next) => void (next.name = name))}
      error={mistakeAt(draft, 'name')}
    />
  );
}

/** What the engine is called, and which page says so. */
export function NameQuestion({ draft }: QuestionProps) {
  const { sheet, edit } = draft;
  const setSource = (key: (typeof SOURCE)[number]['key'], text: string) =>
    edit((next) => {
      next.source ??= {};
      if (text === '') delete next.source[key];
      else next.source[key] = text;
    });
  return (
    <Question
      title="Which engine, and which manual?"
      hint="Figures get revised. The sheet says which page they are from and when somebody last looked."
    >
      <NameField draft={draft} />
      {SOURCE.map(({ key, label }) => (
        <TypedField
          key={key}
          label={label}
          value={sheet.source?.[key] ?? ''}
          onChange={(text) => setSource(key, text)}
          error={mistakeAt(draft, `source.${key}`)}
        />
      ))}
    </Question>
  );
}
