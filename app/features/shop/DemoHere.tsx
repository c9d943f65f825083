import { useState } from 'react';
import { useRemoveDemoMutation } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { shopAnswered } from '../../phone/shopOfPhone';
import { Act } from '../../ui/Act';
import { Row, Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';

/** This shop is the demo: it goes as a whole, and a shop of one's own begins empty. */
export function DemoHere() {
  const [asked, setAsked] = useState(false);
  const [remove, { isLoading, error }] = useRemoveDemoMutation();
  const go = async () => {
    const { data } = await remove();
    if (!data) return;
    shopAnswered(data.id);
    window.location.assign('/');
  };
  return (
    <Stack>
      <Words as="heading">This is the demo</Words>
      <Words color="secondInk">
        An invented works. Remove it, and your own shop begins empty; what was tried in the demo is
        never offered to it.
      </Words>
      {asked ? (
        <Row>
          <Act label="Keep the demo" onPress={() => setAsked(false)} style={{ flex: 1 }} />
          <Act
            weight="stop"
            label={isLoading ? 'Removing …' : 'Remove all of it'}
            disabled={isLoading}
            onPress={() => void go()}
            style={{ flex: 1 }}
          />
        </Row>
      ) : (
        <Act label="Remove the demo" onPress={() => setAsked(true)} />
      )}
      {error && (
        <Words color="stop" role="alert">
          {refusalOf(error).message}
        </Words>
      )}
    </Stack>
  );
}
