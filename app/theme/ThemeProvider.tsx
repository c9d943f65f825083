import type { ComponentProps, ReactNode } from 'react';
import { createContext, useContext, useEffect, useMemo, useState } from 'react';
import { flushSync } from 'react-dom';
import { configureFonts, PaperProvider } from 'react-native-paper';
import { MD3DarkTheme, MD3LightTheme } from 'react-native-paper/lib/module/styles/themes';
import { font } from './fonts';
import type { Tokens } from './tokens';
import { day, night } from './tokens';
import { useDeviceNight } from './useDeviceNight';

const TokensContext = createContext<Tokens>(day);

/** The colours of the theme in force. */
export function useTokens(): Tokens {
  return useContext(TokensContext);
}

type Props = {
  chosen: 'system' | 'day' | 'night';
  /** What draws an icon that Paper asks for by its name. */
  icon: NonNullable<ComponentProps<typeof PaperProvider>['settings']>['icon'];
  children: ReactNode;
};

/** Day or night as chosen, else as the device is set; hands Paper the same colours. */
export function ThemeProvider({ chosen, icon, children }: Props) {
  const deviceNight = useDeviceNight();
  const printing = usePrinting();
  const dark = !printing && (chosen === 'system' ? deviceNight : chosen === 'night');
  const tokens = dark ? night : day;
  const theme = useMemo(() => paperTheme(tokens, dark), [tokens, dark]);
  return (
    <TokensContext.Provider value={tokens}>
      <PaperProvider theme={theme} settings={{ icon }}>
        {children}
      </PaperProvider>
    </TokensContext.Provider>
  );
}

/** Whether the page is being printed: paper is always by day. */
function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false);
  useEffect(() => {
    // The browser takes the page as it stands when the handler returns.
    const begin = () => flushSync(() => setPrinting(true));
    const end = () => setPrinting(false);
    globalThis.addEventListener?.('beforeprint', begin);
    globalThis.addEventListener?.('afterprint', end);
    return () => {
      globalThis.removeEventListener?.('beforeprint', begin);
      globalThis.removeEventListener?.('afterprint', end);
    };
  }, []);
  return printing;
}

function paperTheme(tokens: Tokens, dark: boolean) {
  const base = dark ? MD3DarkTheme : MD3LightTheme;
  return {
    ...base,
    roundness: 3,
    fonts: configureFonts({ config: { fontFamily: font.text } }),
    colors: {
      ...base.colors,
      primary: tokens.act,
      onPrimary: tokens.onAct,
      primaryContainer: tokens.actTint,
      onPrimaryContainer: tokens.ink,
      secondary: tokens.enamelInk,
      secondaryContainer: tokens.enamelTint,
      onSecondaryContainer: tokens.ink,
      background: tokens.ground,
      surface: tokens.sheet,
      surfaceVariant: tokens.sheet,
      onSurface: tokens.ink,
      onSurfaceVariant: tokens.secondInk,
      onBackground: tokens.ink,
      outline: tokens.secondInk,
      outlineVariant: tokens.line,
      error: tokens.stop,
      onError: tokens.onStop,
      elevation: { ...base.colors.elevation, level3: tokens.sheet },
    },
  };
}
