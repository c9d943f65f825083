import { formatInstant } from '@longbar/core';
import { View } from 'react-native';
import { useAuditQuery } from '../../state/api';
import { Stack } from '../../ui/Panel';
import { useSeenSoFar } from '../../ui/useSeenSoFar';
import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';
import { Coming } from '../shared/Coming';
import { auditWords } from './auditWords';

/** Who was let in, what was changed for all, and what went out or came in as a whole. */
export function AuditScreen() {
  const asked = useAuditQuery(undefined, { refetchOnMountOrArgChange: true });
  const { data } = asked;
  const { count, end } = useSeenSoFar(data?.length ?? 0);
  return (
    <Frame title="What was done" aside="Phones, people, sheets, rules, archives" back="/shop">
      {!data && <Coming what="what was noted" of={asked} />}
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
