import { Barlow_400Regular } from '@expo-google-fonts/barlow/400Regular';
import { Barlow_500Medium } from '@expo-google-fonts/barlow/500Medium';
import { Barlow_600SemiBold } from '@expo-google-fonts/barlow/600SemiBold';
import { BarlowSemiCondensed_500Medium } from '@expo-google-fonts/barlow-semi-condensed/500Medium';
import { BarlowSemiCondensed_600SemiBold } from '@expo-google-fonts/barlow-semi-condensed/600SemiBold';
import { BarlowSemiCondensed_700Bold } from '@expo-google-fonts/barlow-semi-condensed/700Bold';

/** The fonts that ship with the application, by the names styles use. */
export const fontFiles = {
  Barlow_400Regular,
  Barlow_500Medium,
  Barlow_600SemiBold,
  BarlowSemiCondensed_500Medium,
  BarlowSemiCondensed_600SemiBold,
  BarlowSemiCondensed_700Bold,
};

export const font = {
  text: 'Barlow_400Regular',
  textMedium: 'Barlow_500Medium',
  textStrong: 'Barlow_600SemiBold',
  label: 'BarlowSemiCondensed_500Medium',
  figure: 'BarlowSemiCondensed_600SemiBold',
  figureStrong: 'BarlowSemiCondensed_700Bold',
} as const;
