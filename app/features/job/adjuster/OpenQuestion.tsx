import type { LookedInto, Question } from '@longbar/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Act } from '../../../ui/Act';
import { Row } from '../../../ui/Panel';
import { radius, space } from '../../../theme/tokens';
import { useTokens } from '../../../theme/ThemeProvider';
import { Words } from '../../../ui/Words';
import { saidOf, WhatWasSeen } from './WhatWasSeen';

type Props = {
  question: Question;
  onReadAgain: () => void;
  onAnswer: (answer: string, seen: LookedInto) => void;
};

/** A slip or a finding, before the adjuster is touched: what to look at, and the answer. */
export function OpenQuestion({ question, onReadAgain, onAnswer }: Props) {
  const tokens = useTokens();
  const { kind, says, look } = question;
  const [seen, setSeen] = useState<LookedInto>();
  return (
    <View role="alert" style={[styles.card, { borderColor: tokens.stop }]}>
      <Words as="strong" color="stop">
        {kind === 'slip' ? 'Before you go on' : 'A finding, not just an adjustment'}
      </Words>
      <Words as="strong">{says}</Words>
      {look !== undefined && <Words as="note">{look}</Words>}
      {kind === 'finding' &&
        (seen ? (
          <WhatWasSeen label="What was seen" seen={seen} onChange={setSeen} />
        ) : (
          <Act label="Add words or a photo; may it be run?" onPress={() => setSeen({})} />
        ))}
      <Row>
        <Act label="Read it again" style={styles.grow} onPress={onReadAgain} />
        <Act
          label="Looked: it is so"
          style={styles.grow}
          onPress={() => onAnswer('Looked, it is so', saidOf(seen ?? {}))}
        />
      </Row>
    </View>
  );
}

const styles = StyleSheet.create({
  card: { borderWidth: 2, borderRadius: radius, padding: space.medium, gap: space.small },
  grow: { flex: 1 },
});
