import { Pressable, StyleSheet } from 'react-native';
import { useDispatch } from 'react-redux';
import { phoneChanged } from '../../state/phone';
import { useAppSelector } from '../../state/store';
import { useTokens } from '../../theme/ThemeProvider';
import { Icon } from '../../ui/Icon';
import { useLasts } from '../../ui/useLasts';
import { Words } from '../../ui/Words';
import { useUnsentWords } from './unsentWords';

/** Each tap is unsent for a moment: before so long, ms, that tells nobody anything. */
const TOLD_AFTER = 1500;

/**
 * What is not sent yet, small and honest; nothing is shown when all is sent, or soon will be.
 * `brief`: only how many.
 */
export function UnsentNote({ brief = false }: { brief?: boolean }) {
  const tokens = useTokens();
  const dispatch = useDispatch();
  const { count, reachable } = useAppSelector((state) => state.jobs.unsent);
  const told = useUnsentWords();
  const onItsWay = reachable && count > 0 && told?.grave === false;
  const lasts = useLasts(onItsWay, TOLD_AFTER);
  if (!told) return null;
  const { words, grave } = told;
  const seen = lasts || !onItsWay;
  const color = grave ? tokens.stop : tokens.ink;
  return (
    <Pressable
      role="button"
      aria-label={`${words}. Show more`}
      onPress={() => dispatch(phoneChanged({ tellsUnsent: true }))}
      tabIndex={seen ? 0 : -1}
      style={[styles.note, !seen && styles.unseen]}
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
  // It takes no room: nothing beside it moves at a tap.
  unseen: { position: 'absolute', opacity: 0, pointerEvents: 'none' },
});
