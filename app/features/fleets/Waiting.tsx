import type { WaitingAnswer, WaitingHours } from '@longbar/core';
import { formatDay, formatHours } from '@longbar/core';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useMachinesQuery } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { useTokens } from '../../theme/ThemeProvider';
import { radius, space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { Row, Stack } from '../../ui/Panel';
import { Select } from '../../ui/Select';
import { Words } from '../../ui/Words';
import { useSettleWaitingMutation } from './fleetsApi';

/** Readings that nobody knows the machine of, or that are doubtful: somebody says what they are. */
export function Waiting({ waiting }: { waiting: readonly WaitingHours[] }) {
  const open = waiting.filter(({ leftOut }) => !leftOut);
  const out = waiting.filter(({ leftOut }) => leftOut);
  return (
    <>
      {open.length > 0 && <Words as="strong">To be settled</Words>}
      {open.map((reading) => (
        <OneWaiting key={reading.id} reading={reading} />
      ))}
      {out.length > 0 && <Words as="strong">Left out</Words>}
      {out.map((reading) => (
        <LeftOut key={reading.id} reading={reading} />
      ))}
    </>
  );
}

type One = { reading: WaitingHours };

function OneWaiting({ reading }: One) {
  const tokens = useTokens();
  const [settle, { isLoading, error }] = useSettleWaitingMutation();
  const { id, serial, model, machine, says, why } = reading;
  const answer = (answer: WaitingAnswer) => void settle({ id, answer });
  return (
    <View style={[styles.card, { borderColor: tokens.hair, backgroundColor: tokens.sheet }]}>
      <Words as="strong">
        {machine ? `${machine.name} (${serial})` : [serial, model].filter(Boolean).join(', ')}
      </Words>
      {why !== 'unread' && (
        <Words as="figure">
          {formatHours(reading.hours)} h, {formatDay(reading.date)}
        </Words>
      )}
      <Words>{says}</Words>
      {error && (
        <Words color="stop" role="alert">
          {refusalOf(error).message}
        </Words>
      )}
      {(why === 'unknown' || why === 'several') && (
        <WhichMachine
          serial={serial}
          busy={isLoading}
          onSay={(machine) => answer({ do: 'machine', machine })}
        />
      )}
      {why === 'doubtful' && (
        <Row>
          <Act
            label="It is right"
            name={`${serial}: it is right`}
            style={styles.grow}
            disabled={isLoading}
            onPress={() => answer({ do: 'take' })}
          />
          <Act
            label="Meter replaced"
            name={`${serial}: meter replaced`}
            style={styles.grow}
            disabled={isLoading}
            onPress={() => answer({ do: 'replaced' })}
          />
        </Row>
      )}
      <Act
        label="Leave it out"
        name={`${serial}: leave it out`}
        disabled={isLoading}
        onPress={() => answer({ do: 'leave-out' })}
      />
    </View>
  );
}

type Which = { serial: string; busy: boolean; onSay: (machine: string) => void };

/** The machine of the yard that has this serial number from now on. */
function WhichMachine({ serial, busy, onSay }: Which) {
  const { data = [] } = useMachinesQuery();
  const [name, setName] = useState('');
  const names = data.map((machine) => machine.name).sort((a, b) => a.localeCompare(b));
  const chosen = data.find((machine) => machine.name === name);
  return (
    <Stack gap={space.small}>
      <Select
        label={`The machine with ${serial}`}
        value={name}
        options={['', ...names]}
        onChange={setName}
      />
      <Act
        label={chosen ? `It is ${chosen.name}` : 'Choose its machine'}
        disabled={busy || !chosen}
        onPress={() => chosen && onSay(chosen.id)}
      />
    </Stack>
  );
}

function LeftOut({ reading: { id, serial, machine } }: One) {
  const [settle, { isLoading }] = useSettleWaitingMutation();
  return (
    <Act
      label={`Bring back ${machine?.name ?? serial}`}
      disabled={isLoading}
      onPress={() => void settle({ id, answer: { do: 'bring-back' } })}
    />
  );
}

const styles = StyleSheet.create({
  card: { borderWidth: 1, borderRadius: radius, padding: space.medium, gap: space.small },
  grow: { flex: 1 },
});
