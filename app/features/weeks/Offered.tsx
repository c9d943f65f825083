import type { Offer, PlannedMachine, Weeks } from '@longbar/core';
import { formatDay } from '@longbar/core';
import { useState } from 'react';
import { refusalOf } from '../../state/refusal';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { Row, Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { useOfferMutation, usePlanAllMutation } from './weeksApi';

/** Weeks for what nobody has planned yet, worked out when somebody asks, and taken when they say so. */
export function Offered({ weeks, open }: { weeks: Weeks; open: readonly PlannedMachine[] }) {
  const [ask, asking] = useOfferMutation();
  const [take, taking] = usePlanAllMutation();
  const [offer, setOffer] = useState<Offer>();
  const refused = asking.error ?? taking.error;
  const askNow = async () => {
    const { data } = await ask();
    setOffer(data);
  };
  const takeIt = async ({ moves }: Offer) => {
    const { error } = await take({ moves });
    if (!error) setOffer(undefined);
  };
  return (
    <Stack gap={space.small}>
      {refused && (
        <Words color="stop" role="alert">
          {refusalOf(refused).message}
        </Words>
      )}
      {offer ? (
        <Stack gap={space.small}>
          <Words as="strong">Offered, and not planned yet</Words>
          {offer.moves.map(({ machine, week }) => (
            <Words key={machine}>
              {weeks.machines.find(({ id }) => id === machine)?.name}: week of {formatDay(week)}
            </Words>
          ))}
          <Words as="note" color="secondInk">
            {offer.exact
              ? 'No plan is better by what is weighed: due dates first, then the hours of a week, then going to a place once.'
              : `The best that was found in time. Another may be better by up to ${offer.within} % of what is weighed.`}
          </Words>
          <Row>
            <Act label="Leave it" style={{ flex: 1 }} onPress={() => setOffer(undefined)} />
            <Act
              weight="primary"
              label={taking.isLoading ? 'Planning …' : 'Plan it so'}
              style={{ flex: 1 }}
              disabled={taking.isLoading}
              onPress={() => void takeIt(offer)}
            />
          </Row>
        </Stack>
      ) : (
        open.length > 0 && (
          <Act
            label={asking.isLoading ? 'Looking for the best weeks …' : 'Offer weeks for these'}
            detail={`${open.length} in no week yet; what is planned stays`}
            disabled={asking.isLoading}
            onPress={() => void askNow()}
          />
        )
      )}
    </Stack>
  );
}
