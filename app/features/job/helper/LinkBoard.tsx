import type { Turn, TurningWord } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { radius, space } from '../../../theme/tokens';
import { useTokens } from '../../../theme/ThemeProvider';
import { Words } from '../../../ui/Words';
import { useSignal } from './useSignal';

type Props = { word: TurningWord; turn: Turn | null; role: 'rockers' | 'helper' };

/** What both sides see of the link, in one large word and what it asks for. */
export function LinkBoard({ word, turn, role }: Props) {
  const tokens = useTokens();
  useSignal(word);
  const grave = word === 'stop' || word === 'lost';
  const go = word === 'turn';
  const ground = grave ? tokens.stop : go ? tokens.act : tokens.enamelTint;
  const ink = grave ? tokens.onStop : go ? tokens.onAct : tokens.ink;
  const [title, detail] = boardWords(word, turn, role);
  return (
    <View role="status" aria-live="assertive" style={[styles.board, { backgroundColor: ground }]}>
      <Words as="title" style={[styles.title, { color: ink }]}>
        {title}
      </Words>
      <Words as="strong" style={[styles.centred, { color: ink }]}>
        {detail}
      </Words>
    </View>
  );
}

function boardWords(word: TurningWord, turn: Turn | null, role: Props['role']): [string, string] {
  const helper = role === 'helper';
  switch (word) {
    case 'waiting':
      return helper
        ? ['Waiting', 'The one at the rockers is not on the link yet.']
        : ['Waiting', 'Nobody is in the helper’s view of this job yet.'];
    case 'lost':
      return ['Link lost: stop, shout', 'Nothing is turned before you have spoken to each other.'];
    case 'hold':
      if (!turn) return ['Hold', helper ? 'Nothing is turned now.' : 'The helper waits.'];
      return ['Hold', helper ? 'Not before fingers are clear.' : 'The helper waits for your word.'];
    case 'turn':
      return [`Turn ${way(turn)}`, helper ? 'Slowly. Stop at any shout.' : 'Fingers off. Watch.'];
    case 'stop':
      return ['STOP', 'Stand still. The one at the rockers gives the next word.'];
    case 'there':
      return ['There', 'Hold it. The rockers are felt now.'];
  }
}

/** How far, which way, to which mark. */
export function way(turn: Turn | null): string {
  if (!turn) return '';
  if (turn.degrees === null) return `${turn.sense} to whichever mark comes first`;
  const mark = turn.mark === undefined ? '' : ` to mark ${turn.mark}`;
  return `${Math.round(turn.degrees)}° ${turn.sense}${mark}`;
}

const styles = StyleSheet.create({
  board: { borderRadius: radius, padding: space.large, gap: space.small, alignItems: 'center' },
  title: { fontSize: 36, lineHeight: 42, textAlign: 'center' },
  centred: { textAlign: 'center' },
});
