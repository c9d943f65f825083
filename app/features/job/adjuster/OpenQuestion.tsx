import type { Question } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { Words } from '../../../ui/Words';

/**
 * A slip or a finding, before the adjuster is touched. It stands over its answers on every screen:
 * nobody says that it is so without having what before their eyes.
 */
export function OpenQuestion({ question: { says, look } }: { question: Question }) {
  return (
    <View role="alert" style={styles.asked}>
      <Words as="strong" color="stop">
        {says}
      </Words>
      {look !== undefined && <Words as="note">{look}</Words>}
    </View>
  );
}

const styles = StyleSheet.create({ asked: { gap: 2 } });
