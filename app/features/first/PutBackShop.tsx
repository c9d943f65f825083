import { formatInstant, ignore } from '@longbar/core';
import { useEffect, useState } from 'react';
import type { KeptShop } from '../../phone/keptShops';
import { keptShops } from '../../phone/keptShops';
import { beginAs } from '../../phone/shopOfPhone';
import { useRebuildShopMutation } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { space } from '../../theme/tokens';
import { AskFirst } from '../../ui/AskFirst';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';

/** An empty server at the address of a lost one: a shop that this phone keeps can be put back. */
export function PutBackShops() {
  const [kept, setKept] = useState<readonly KeptShop[]>([]);
  useEffect(() => {
    keptShops()
      .then(setKept)
      .catch(ignore('a phone that cannot read what it keeps has nothing to put back'));
  }, []);
  return kept.map((each) => <PutBackShop key={each.id} kept={each} />);
}

function PutBackShop({ kept: { id, shop, at, machines, jobs } }: { kept: KeptShop }) {
  const [rebuild, { isLoading, error }] = useRebuildShopMutation();
  const go = async () => {
    const { data } = await rebuild({ id, shop });
    if (data) beginAs(data.id);
  };
  return (
    <Stack gap={space.small}>
      <Words as="heading">Was the server of {shop.name} lost?</Words>
      <Words>
        This phone keeps {counted(machines, 'machine')} and {counted(jobs, 'job')} of it, last heard{' '}
        {formatInstant(at)}. They can be put back on this empty server. Every other phone that
        worked there then sends what it holds; what no phone holds is gone.
      </Words>
      <Words color="secondInk">
        A backup holds more. If there is one, restore it instead, and let a foreman decide.
      </Words>
      <AskFirst
        label={`Put ${shop.name} back`}
        no="Leave it"
        yes={isLoading ? 'Putting it back …' : `This is ${shop.name}`}
        weight="primary"
        busy={isLoading}
        onYes={() => void go()}
        refusal={error && refusalOf(error).message}
      />
    </Stack>
  );
}

const counted = (count: number, what: string) => `${count} ${count === 1 ? what : `${what}s`}`;
