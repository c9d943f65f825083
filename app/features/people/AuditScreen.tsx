import { formatInstant } from '@longbar/core';
import { View } from 'react-native';
import { useAuditQuery } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { Stack } from '../../ui/Panel';
import { useSeenSoFar } from '../../ui/useSeenSoFar';
import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';
import { auditWords } from './auditWords';

/** Who was let in, what was changed for all, and what went out or came in as a whole. */
export function AuditScreen() {
  const { data, error } = useAuditQuery(undefined, { refetchOnMountOrArgChange: true });
  const { count, end } = useSeenSoFar(data?.length ?? 0);
  return (
    <Frame title="What was done" aside="Phones, people, sheets, rules, archives" back="/shop">
      {error && (
        <Words color="stop" role="alert">
          {refusalOf(error).message}
        </Words>
      )}
      {!data && !error && <Words color="secondInk">Fetching what was noted …</Words>}
      {data?.length === 0 && <Words>Nothing is noted yet.</Words>}
      <View role="list" aria-label="What was done">
        {data?.slice(0, count).map((line) => (
          <Stack key={line.serial} gap={0} style={{ paddingVertical: 8 }}>
            <View role="listitem">
              <Words>{auditWords(line)}</Words>
              <Words as="note" color="secondInk">
                {formatInstant(line.at)}
              </Words>
            </View>
          </Stack>
        ))}
        {end}
      </View>
    </Frame>
  );
}
