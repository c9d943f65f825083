import { Act } from '../../../ui/Act';
import { Row } from '../../../ui/Panel';
import { sideBySide } from './sideBySide';

type Props = { onReadAgain: () => void; onIsSo: () => void };

/** The answers to a slip or a finding: nothing else is recorded here before one of them. */
export function AnswerIt({ onReadAgain, onIsSo }: Props) {
  return (
    <Row style={sideBySide.lines}>
      <Act label="Read it again" style={sideBySide.whole} onPress={onReadAgain} />
      <Act label="Looked: it is so" style={sideBySide.whole} onPress={onIsSo} />
    </Row>
  );
}
