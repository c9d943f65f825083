import type { CSSProperties } from 'react';
import { createElement, useId } from 'react';
import { View } from 'react-native';
import { font } from '../theme/fonts';
import type { Tokens } from '../theme/tokens';
import { night, radius, target } from '../theme/tokens';
import { useTokens } from '../theme/ThemeProvider';
import { useReadOnly } from './readOnly';
import { Words } from './Words';

type Props = {
  label: string;
  value: string;
  options: readonly string[];
  onChange: (value: string) => void;
};

/** One of many, by the browser's own list. */
export function Select({ label, value, options, onChange }: Props) {
  const tokens = useTokens();
  const id = useId();
  const readOnly = useReadOnly();
  const all = options.includes(value) ? options : [value, ...options];
  return (
    <View>
      {createElement('label', { htmlFor: id }, <Words as="note">{label}</Words>)}
      {createElement(
        'select',
        {
          id,
          value,
          disabled: readOnly,
          onChange: (event: { target: { value: string } }) => onChange(event.target.value),
          style: nativeField(tokens, false),
        },
        all.map((option) => createElement('option', { key: option, value: option }, option)),
      )}
    </View>
  );
}

/** What a field that the browser draws looks like beside the others. */
export function nativeField(tokens: Tokens, wrong: boolean): CSSProperties {
  return {
    minHeight: target.least,
    width: '100%',
    boxSizing: 'border-box',
    border: `1px solid ${wrong ? tokens.stop : tokens.secondInk}`,
    borderRadius: radius,
    background: tokens.sheet,
    color: tokens.ink,
    fontFamily: font.text,
    fontSize: 16,
    padding: '0 12px',
    // The browser draws its own signs by this.
    colorScheme: tokens === night ? 'dark' : 'light',
  };
}
