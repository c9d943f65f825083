import type { EngineSheet } from '@longbar/core';
import { takeOut } from '../entries';
import type { QuestionProps } from '../questionProps';
import { mistakeAt } from '../questionProps';
import { TypedField } from '../TypedField';
import { ListQuestion } from './ListQuestion';

type Key = 'tools' | 'parts' | 'cautions';

const ASKED: Record<Key, { title: string; hint: string; one: string }> = {
  tools: {
    title: 'Which tools does it need?',
    hint: 'They are counted out before, and back before the engine may start.',
    one: 'tool',
  },
  parts: {
    title: 'Which parts are renewed?',
    hint: 'Gaskets, seals: what cannot be closed up without.',
    one: 'part',
  },
  cautions: {
    title: 'What does the maker warn of?',
    hint: 'They stand in the job before the engine is opened.',
    one: 'caution',
  },
};

/** A list of things in words: tools, parts, cautions. */
export function WordsQuestion({ draft, of }: Pick<QuestionProps, 'draft'> & { of: Key }) {
  const { sheet, edit } = draft;
  const { title, hint, one } = ASKED[of];
  const listOf = (next: EngineSheet): string[] => (next[of] ??= []);
  return (
    <ListQuestion
      {...{ title, hint, one }}
      entries={sheet[of] ?? []}
      onAdd={() => edit((next) => void listOf(next).push(''))}
      onRemove={(place) => edit((next) => takeOut(next, of, place))}
    >
      {(words, place) => (
        <TypedField
          label={`${one[0]?.toUpperCase()}${one.slice(1)} ${place + 1}`}
          value={words}
          multiline={of === 'cautions'}
          error={mistakeAt(draft, `${of}.${place}`)}
          onChange={(text) => edit((next) => void (listOf(next)[place] = text))}
        />
      )}
    </ListQuestion>
  );
}
