import type { BladeSet, Reading } from '@longbar/core';
import { readingFromTyped } from '@longbar/core';
import { useEffect, useState } from 'react';
import { Act } from '../../../theme/Act';
import { Field } from '../../../theme/Field';
import { Stack } from '../../../theme/Panel';

type Props = { set: BladeSet; onRead: (reading: Reading) => void };

/** A reading typed in: from the keyboard at a wide screen, or from paper afterwards. */
export function TypedReading({ set, onRead }: Props) {
  const [text, setText] = useState<string>();
  const [problem, setProblem] = useState<string>();
  useEffect(() => {
    const digit = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && isField(event.target);
      if (typing || event.ctrlKey || event.metaKey || !/^[\d.,<]$/.test(event.key)) return;
      event.preventDefault();
      setText(event.key);
    };
    document.addEventListener('keydown', digit);
    return () => document.removeEventListener('keydown', digit);
  }, []);
  if (text === undefined) return <Act label="Type it" onPress={() => setText('')} />;
  const record = () => {
    const answer = readingFromTyped(text, set);
    if ('problem' in answer) return setProblem(answer.problem);
    setText(undefined);
    setProblem(undefined);
    onRead(answer.reading);
  };
  return (
    <Stack>
      <Field
        label={`What enters and what does not, ${set.unit === 'mm' ? 'mm' : 'thou'}`}
        value={text}
        onChange={setText}
        error={problem}
        autoFocus
        onSubmitEditing={record}
      />
      <Act label="Record what is typed" onPress={record} />
    </Stack>
  );
}

function isField({ tagName }: HTMLElement): boolean {
  return tagName === 'INPUT' || tagName === 'TEXTAREA';
}
