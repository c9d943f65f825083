import type { ComponentProps } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';
import { useTokens } from '../theme/ThemeProvider';
import { Words } from './Words';

type Props = Pick<
  ComponentProps<typeof TextInput>,
  'inputMode' | 'multiline' | 'autoFocus' | 'onSubmitEditing' | 'blurOnSubmit' | 'secureTextEntry'
> & {
  label: string;
  /** In full, where the label is short. */
  name?: string;
  value: string;
  onChange: (text: string) => void;
  /** What is wrong with it, beside the field. */
  error?: string | undefined;
  /** Whether something is wrong that is said elsewhere. */
  mistaken?: boolean;
};

/**
 * Its label takes its place at once: each step of the way would draw it anew, and a page of many
 * fields many times over.
 */
const AT_ONCE = { animation: { scale: 0 } };

/** A field to type in, with what is wrong said below it. */
export function Field({ label, name, value, onChange, error, mistaken, ...input }: Props) {
  const tokens = useTokens();
  return (
    <View>
      <TextInput
        mode="outlined"
        label={label}
        aria-label={name ?? label}
        value={value}
        onChangeText={onChange}
        error={error !== undefined || mistaken === true}
        outlineColor={tokens.secondInk}
        activeOutlineColor={tokens.ink}
        style={{ backgroundColor: tokens.sheet }}
        theme={AT_ONCE}
        {...input}
      />
      {error !== undefined && (
        <Words as="note" color="stop" role="alert">
          {error}
        </Words>
      )}
    </View>
  );
}
