import type { ComponentProps } from 'react';
import { memo, useMemo } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';
import { useTokens } from '../theme/ThemeProvider';
import { useReadOnly } from './readOnly';
import { useSame } from './useSame';
import { webStyle } from './webStyle.web';
import { Words } from './Words';

type Props = Pick<
  ComponentProps<typeof TextInput>,
  'inputMode' | 'multiline' | 'autoFocus' | 'onSubmitEditing' | 'blurOnSubmit' | 'secureTextEntry'
> & {
  label: string;
  /** In full, where the label is short. */
  name?: string;
  /** Said below it while nothing is wrong. */
  hint?: string;
  value: string;
  onChange: (text: string) => void;
  /** What is wrong with it, beside the field. */
  error?: string | undefined;
  /** Whether something is wrong that is said elsewhere. */
  mistaken?: boolean;
};

type Submitted = Parameters<NonNullable<Props['onSubmitEditing']>>[0];

/**
 * Its label takes its place at once: each step of the way would draw it anew, and a page of many
 * fields many times over.
 */
const AT_ONCE = { animation: { scale: 0 } };

/** Of several lines, it is as high as they are: half a line would look as if it were the last. */
const AS_HIGH = webStyle({ fieldSizing: 'content' });

/** Drawn anew for each letter is the one that is typed in, and none of the others of its page. */
const Input = memo(TextInput);

/** A field to type in, with what is wrong said below it. */
export function Field(props: Props) {
  const { label, name, hint, value, onChange, error, mistaken, onSubmitEditing, ...input } = props;
  const tokens = useTokens();
  const readOnly = useReadOnly();
  const style = useMemo(() => ({ backgroundColor: tokens.sheet }), [tokens]);
  const changed = useSame(onChange);
  const submitted = useSame((event: Submitted) => onSubmitEditing?.(event));
  return (
    <View>
      <Input
        mode="outlined"
        label={label}
        aria-label={name ?? label}
        value={value}
        onChangeText={changed}
        onSubmitEditing={onSubmitEditing && submitted}
        error={error !== undefined || mistaken === true}
        outlineColor={tokens.secondInk}
        activeOutlineColor={tokens.ink}
        style={style}
        theme={AT_ONCE}
        editable={!readOnly}
        contentStyle={input.multiline === true && AS_HIGH}
        {...input}
      />
      {hint !== undefined && error === undefined && (
        <Words as="note" color="secondInk">
          {hint}
        </Words>
      )}
      {error !== undefined && (
        <Words as="note" color="stop" role="alert">
          {error}
        </Words>
      )}
    </View>
  );
}
