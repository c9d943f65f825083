import { StyleSheet } from 'react-native';
import { webStyle } from '../../../ui/webStyle.web';

/** Two that may be recorded now, beside the undo where there is room, else one below the other. */
export const sideBySide = StyleSheet.create({
  lines: { flexWrap: 'wrap' },
  /** As wide as its longest word at least. */
  whole: webStyle({ flexGrow: 1, flexBasis: 0, minWidth: 'min-content', paddingHorizontal: 6 }),
});
