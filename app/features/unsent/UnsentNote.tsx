import { Pressable, StyleSheet } from 'react-native';
import { useDispatch } from 'react-redux';
import { phoneChanged } from '../../state/phone';
import { useAppSelector } from '../../state/store';
import { useTokens } from '../../theme/ThemeProvider';
import { Icon } from '../../ui/Icon';
import { Words } from '../../ui/Words';
import { useUnsentWords } from './unsentWords';

/** What is not sent yet, small and honest; nothing is shown when all is sent. `brief`: only how many. */
export function UnsentNote({ brief = false }: { brief?: boolean }) {
  const tokens = useTokens();
  const dispatch = useDispatch();
  const { count, reachable } = useAppSelector((state) => state.jobs.unsent);
  const told = useUnsentWords();
  if (!told) return null;
  const { words, grave } = told;
  const color = grave ? tokens.stop : tokens.ink;
  return (
    <Pressable
      role="button"
      aria-label={`${words}. Show more`}
      onPress={() => dispatch(phoneChanged({ tellsUnsent: true }))}
      style={styles.note}
    >
      <Icon name={reachable ? 'unsent' : 'unreachable'} color={color} size={20} />
      <Words as="note" style={{ color }}>
        {brief && !grave && count > 0 ? count : words}
      </Words>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  note: { flexDirection: 'row', alignItems: 'center', gap: 4, minHeight: 48, paddingHorizontal: 4 },
});
