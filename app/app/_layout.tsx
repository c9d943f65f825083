import { showUnits, USUAL_UNITS } from '@longbar/core';
import { useFonts } from 'expo-font';
import { Slot } from 'expo-router';
import Head from 'expo-router/head';
import { SafeAreaProvider } from 'react-native-safe-area-context';
import { Door } from '../features/people/Door';
import { jobReader } from '../features/screens/screen';
import { UnsentDialog } from '../features/unsent/UnsentDialog';
import { useAppSelector } from '../state/store';
import { SyncProvider } from '../sync/SyncProvider';
import { fontFiles } from '../theme/fonts';
import '../theme/page.css';
import { ThemeProvider } from '../theme/ThemeProvider';
import { PaperIcon } from '../ui/Icon';

function Themed() {
  const chosen = useAppSelector((state) => state.preferences.theme);
  const units = useAppSelector((state) => state.preferences.units);
  // Figures are words by now where they are shown: with other units all of them are said anew.
  showUnits(units ?? undefined);
  return (
    <ThemeProvider chosen={chosen} icon={PaperIcon}>
      <Door>
        <Slot key={JSON.stringify(units ?? USUAL_UNITS)} />
        <UnsentDialog />
      </Door>
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
      <SyncProvider reader={jobReader}>
        <Themed />
      </SyncProvider>
    </SafeAreaProvider>
  );
}
