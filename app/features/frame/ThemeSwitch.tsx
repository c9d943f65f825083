import { Pressable, useColorScheme } from 'react-native';
import { useDispatch } from 'react-redux';
import { preferencesChanged } from '../../state/preferences';
import { useAppSelector } from '../../state/store';
import { Icon } from '../../ui/Icon';
import { useTokens } from '../../theme/ThemeProvider';

/** Day or night at one tap; until then as the device is set. */
export function ThemeSwitch() {
  const tokens = useTokens();
  const dispatch = useDispatch();
  const system = useColorScheme();
  const chosen = useAppSelector((state) => state.preferences.theme);
  const dark = chosen === 'system' ? system === 'dark' : chosen === 'night';
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
