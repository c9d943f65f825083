import { createElement, useId } from 'react';
import { View } from 'react-native';
import { useTokens } from '../theme/ThemeProvider';
import { nativeField } from './Select';
import { Words } from './Words';

type Props = {
  label: string;
  /** As 2026-05-02; empty where none is chosen. */
  value: string;
  onChange: (date: string) => void;
  error?: string | undefined;
};

/** A day, chosen by the browser's own calendar. */
export function DateField({ label, value, onChange, error }: Props) {
  const tokens = useTokens();
  const id = useId();
  return (
    <View>
      {createElement('label', { htmlFor: id }, <Words as="note">{label}</Words>)}
      {createElement('input', {
        id,
        type: 'date',
        value,
        'aria-invalid': error !== undefined,
        onChange: (event: { target: { value: string } }) => onChange(event.target.value),
        style: nativeField(tokens, error !== undefined),
      })}
      {error !== undefined && (
        <Words as="note" color="stop" role="alert">
          {error}
        </Words>
      )}
    </View>
  );
}
