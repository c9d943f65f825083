import { useFonts } from 'expo-font';
import { Slot } from 'expo-router';
import Head from 'expo-router/head';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { useAppSelector } from '../state/store';
import { SyncProvider } from '../sync/SyncProvider';
import { fontFiles } from '../theme/fonts';
import '../theme/page.css';
import { ThemeProvider } from '../theme/ThemeProvider';

function Themed() {
  const chosen = useAppSelector((state) => state.preferences.theme);
  return (
    <ThemeProvider chosen={chosen}>
      <Slot />
    </ThemeProvider>
  );
}

export default function Layout() {
  // Until the fonts are here the system's stand in: nothing waits for them.
  useFonts(fontFiles);
  return (
    <SafeAreaProvider>
      <Head>
        <title>Long Bar</title>
      </Head>
      <SyncProvider>
        <Themed />
      </SyncProvider>
    </SafeAreaProvider>
  );
}
