import { useRemoveDemoMutation } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { beginAs } from '../../phone/shopOfPhone';
import { AskFirst } from '../../ui/AskFirst';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';

/** This shop is the demo: it goes as a whole, and a shop of one's own begins empty. */
export function DemoHere() {
  const [remove, { isLoading, error }] = useRemoveDemoMutation();
  const go = async () => {
    const { data } = await remove();
    if (data) beginAs(data.id);
  };
  return (
    <Stack>
      <Words as="heading">This is the demo</Words>
      <Words color="secondInk">
        An invented works. Remove it, and your own shop begins empty; what was tried in the demo is
        never offered to it.
      </Words>
      <AskFirst
        label="Remove the demo"
        no="Keep the demo"
        yes={isLoading ? 'Removing …' : 'Remove all of it'}
        weight="stop"
        busy={isLoading}
        onYes={() => void go()}
        refusal={error && refusalOf(error).message}
      />
    </Stack>
  );
}
