import { Pressable } from 'react-native';
import { useDispatch } from 'react-redux';
import { preferencesChanged } from '../../state/preferences';
import { Icon } from '../../ui/Icon';
import { useTokens } from '../../theme/ThemeProvider';
import { night } from '../../theme/tokens';

/** Day or night at one tap; until then as the device is set. */
export function ThemeSwitch() {
  const tokens = useTokens();
  const dispatch = useDispatch();
  const dark = tokens === night;
  return (
    <Pressable
      role="button"
      aria-label={dark ? 'Change to day colours' : 'Change to night colours'}
      onPress={() => dispatch(preferencesChanged({ theme: dark ? 'day' : 'night' }))}
      style={{ width: 48, height: 48, alignItems: 'center', justifyContent: 'center' }}
    >
      <Icon name={dark ? 'day' : 'night'} color={tokens.ink} />
    </Pressable>
  );
}
