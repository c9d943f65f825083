import Barlow_400Regular from '@fontsource/barlow/files/barlow-latin-400-normal.woff2';
import Barlow_500Medium from '@fontsource/barlow/files/barlow-latin-500-normal.woff2';
import Barlow_600SemiBold from '@fontsource/barlow/files/barlow-latin-600-normal.woff2';
import BarlowSemiCondensed_500Medium from '@fontsource/barlow-semi-condensed/files/barlow-semi-condensed-latin-500-normal.woff2';
import BarlowSemiCondensed_600SemiBold from '@fontsource/barlow-semi-condensed/files/barlow-semi-condensed-latin-600-normal.woff2';
import BarlowSemiCondensed_700Bold from '@fontsource/barlow-semi-condensed/files/barlow-semi-condensed-latin-700-normal.woff2';

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
