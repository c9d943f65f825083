import type { Reading, Refused, TypedFor } from '@longbar/core';
import { isRefused, markedIn, readGaugeLine, readingFromTyped, unitOf } from '@longbar/core';
import { useEffect, useState } from 'react';
import { Act } from '../../../ui/Act';
import { Field } from '../../../ui/Field';
import { Stack } from '../../../ui/Panel';

type Props = { of: TypedFor; onRead: (reading: Reading) => void };

/** A reading typed in: from the keyboard at a wide screen, or from paper afterwards. */
export function TypedReading({ of, onRead }: Props) {
  const [text, setText] = useState<string>();
  const [wrong, setWrong] = useState<Refused & { meant?: string[] }>();
  useEffect(() => {
    const digit = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && isField(event.target);
      if (typing || event.ctrlKey || event.metaKey || !/^[\d.,<+-]$/.test(event.key)) return;
      event.preventDefault();
      setText(event.key);
    };
    document.addEventListener('keydown', digit);
    return () => document.removeEventListener('keydown', digit);
  }, []);
  if (text === undefined) return <Act label="Type it" onPress={() => setText('')} />;
  const record = (typed: string) => {
    // A sign before it is a gauge’s, that types its figure and Enter.
    const gauge = /^\s*[+-]/.test(typed);
    const answer = gauge ? readGaugeLine(typed, of) : readingFromTyped(typed, of);
    if (isRefused(answer)) {
      // A gauge types its next figure from the beginning, wherever the last one ended.
      if (gauge) setText('');
      return setWrong(answer);
    }
    setText(undefined);
    setWrong(undefined);
    onRead(answer.reading);
  };
  const { meant = [] } = wrong ?? {};
  return (
    <Stack>
      <Field
        label={LABEL[of.measure](of.set)}
        value={text}
        onChange={(typed) => {
          setText(typed);
          setWrong(undefined);
        }}
        error={wrong?.says}
        autoFocus
        blurOnSubmit={false}
        onSubmitEditing={() => record(text)}
      />
      {meant.map((each) => (
        // None of several is the large button: a tight gap must not be taken for a good one.
        <Act
          key={each}
          label={meant.length > 1 ? each : `Yes, ${each}`}
          {...(meant.length === 1 && { weight: 'primary' })}
          onPress={() => record(each)}
        />
      ))}
      <Act label="Record what is typed" onPress={() => record(text)} />
    </Stack>
  );
}

const LABEL: Record<TypedFor['measure'], (set: TypedFor['set']) => string> = {
  lash: (set) => `What enters and what does not, ${markedIn(set)}`,
  height: () => figureLabel('height', { mm: 'in', in: 'mm' }),
  preload: () => figureLabel('preload', { 'N·m': 'lb in', 'lb·in': 'N·m' }),
};

/** In which unit it is without one, and which may stand behind it. */
function figureLabel(measure: TypedFor['measure'], others: Record<string, string>): string {
  const unit = unitOf(measure);
  return `The ${measure}, ${unit} (or with “${others[unit]}” behind it)`;
}

function isField({ tagName }: HTMLElement): boolean {
  return tagName === 'INPUT' || tagName === 'TEXTAREA';
}
