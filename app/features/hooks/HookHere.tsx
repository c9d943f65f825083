import type { Hook } from '@longbar/core';
import { formatInstant } from '@longbar/core';
import { useState } from 'react';
import { refusalOf } from '../../state/refusal';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { AskFirst } from '../../ui/AskFirst';
import { Row, Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import type { HookSecret } from './HookForm';
import { HookForm } from './HookForm';
import { useEndHookMutation, useRenewSecretMutation, useSendToHookMutation } from './hooksApi';

type Props = { hook: Hook; onSecret: (told: HookSecret) => void };

/** One program that is told: how that goes, and what can be done about it. */
export function HookHere({ hook, onSecret }: Props) {
  const [send, sending] = useSendToHookMutation();
  const [renew, renewing] = useRenewSecretMutation();
  const [end, ending] = useEndHookMutation();
  const [changing, setChanging] = useState(false);
  const { id, address, last, waiting, givenUp } = hook;
  if (changing) {
    return <HookForm hook={hook} onDone={() => setChanging(false)} onSecret={onSecret} />;
  }
  const problem = last?.problem ?? null;
  const renewNow = async () => {
    const { data } = await renew(id);
    if (data) onSecret({ address, secret: data.secret });
  };
  return (
    <Stack gap={space.small}>
      <Words as="strong" selectable>
        {address}
      </Words>
      {problem !== null && <Words color="stop">{problem}</Words>}
      {givenUp > 0 && (
        <Words color="stop">
          {givenUp === 1 ? 'One message was' : `${givenUp} messages were`} given up after several
          days. Send {givenUp === 1 ? 'it' : 'them'} again once the program works.
        </Words>
      )}
      <Words as="note" color="secondInk" role="status">
        {stateOf(hook)}
      </Words>
      {sending.error && (
        <Words color="stop" role="alert">
          {refusalOf(sending.error).message}
        </Words>
      )}
      <Row>
        <Act
          label={
            sending.isLoading ? 'Sending …' : waiting + givenUp > 0 ? 'Send again' : 'Send a test'
          }
          style={{ flex: 1 }}
          disabled={sending.isLoading}
          onPress={() => void send(id)}
        />
        <Act label="Change the program" style={{ flex: 1 }} onPress={() => setChanging(true)} />
      </Row>
      <AskFirst
        key={renewing.fulfilledTimeStamp}
        label="Another secret"
        question="Messages are signed by the new one at once. The program refuses them until it has it."
        no="Keep the old one"
        yes={renewing.isLoading ? 'Making it …' : 'Make another'}
        weight="primary"
        busy={renewing.isLoading}
        onYes={() => void renewNow()}
        refusal={renewing.error && refusalOf(renewing.error).message}
      />
      <AskFirst
        label="Remove the program"
        question="It is told no more, and what waits for it is dropped."
        no="Keep it"
        yes={ending.isLoading ? 'Removing …' : 'Remove it'}
        weight="stop"
        busy={ending.isLoading}
        onYes={() => void end(id)}
        refusal={ending.error && refusalOf(ending.error).message}
      />
    </Stack>
  );
}

function stateOf({ told, waiting, last, nextAt }: Hook): string {
  if (last === null) return 'Nothing was sent yet.';
  const took = told === 0 ? 'no message yet' : told === 1 ? 'one message' : `${told} messages`;
  const so = `It took ${took}; tried last ${formatInstant(last.at)}.`;
  if (waiting === 0) return so;
  const next = nextAt === null ? '' : `, tried again ${formatInstant(nextAt)}`;
  return `${so} ${waiting === 1 ? 'One waits' : `${waiting} wait`}${next}.`;
}
