import { useState } from 'react';
import { space } from '../theme/tokens';
import { Act } from './Act';
import { Row, Stack } from './Panel';
import { Words } from './Words';

type Props = {
  /** What is tapped first, and does nothing yet. */
  label: string;
  /** What is to be known before it is done, where that is not said above. */
  question?: string;
  no: string;
  yes: string;
  /** How weighty it is to say yes. */
  weight: 'primary' | 'stop';
  /** It is being done. */
  busy: boolean;
  onYes: () => void;
  /** Why it was not done, in the server's words. */
  refusal: string | undefined;
};

/** What is not done by one tap: it is asked once more, and either answer is as large. */
export function AskFirst({ label, question, no, yes, weight, busy, onYes, refusal }: Props) {
  const [asked, setAsked] = useState(false);
  return (
    <Stack gap={space.small}>
      {asked && question !== undefined && <Words as="strong">{question}</Words>}
      {asked ? (
        <Row>
          <Act label={no} onPress={() => setAsked(false)} style={{ flex: 1 }} />
          <Act weight={weight} label={yes} disabled={busy} onPress={onYes} style={{ flex: 1 }} />
        </Row>
      ) : (
        <Act label={label} onPress={() => setAsked(true)} />
      )}
      {refusal !== undefined && (
        <Words color="stop" role="alert">
          {refusal}
        </Words>
      )}
    </Stack>
  );
}
