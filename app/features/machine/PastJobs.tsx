import type { MachineDetail } from '@longbar/core';
import { formatDay, formatHours, isWhole, scopeWords } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { Icon } from '../../ui/Icon';
import { Stack } from '../../ui/Panel';
import { space, target } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';
import { Way } from '../../ui/Way';

/** The signed jobs of a machine, each with its record. */
export function PastJobs({ machine }: { machine: MachineDetail }) {
  const tokens = useTokens();
  return (
    <Stack gap={space.small}>
      <Words as="heading">Past jobs</Words>
      {machine.history.length === 0 && <Words color="secondInk">None signed yet.</Words>}
      {machine.history.map(({ id, summary }) => {
        const { signed, hours, set, scope } = summary;
        const when = signed ? formatDay(signed.at) : '';
        return (
          <Way
            key={id}
            to={`/jobs/${id}/record`}
            name={`Record of ${when}`}
            style={[styles.job, { borderColor: tokens.line }]}
          >
            <View style={styles.text}>
              <Words as="strong">{when}</Words>
              <Words as="note" color="secondInk">
                {hours ? `${formatHours(hours.hours)} h, ` : ''}
                {isWhole(scope) ? '' : `${scopeWords(scope).toLowerCase()}, `}
                {set.done} of {set.of} {scope?.checkOnly ? 'checked' : 'finished'},{' '}
                {signed?.incomplete ? 'closed as incomplete by' : 'signed by'} {signed?.name}
              </Words>
            </View>
            <Icon name="open" color={tokens.ink} />
          </Way>
        );
      })}
      {machine.abandoned?.map(({ id, summary: { abandoned } }) => (
        <Words key={id} as="note" color="secondInk">
          Abandoned {abandoned ? formatDay(abandoned.at) : ''}, {abandoned?.by}: {abandoned?.reason}
        </Words>
      ))}
    </Stack>
  );
}

const styles = StyleSheet.create({
  job: {
    flexDirection: 'row',
    alignItems: 'center',
    minHeight: target.primary,
    borderBottomWidth: 1,
    paddingVertical: space.small,
  },
  text: { flex: 1 },
});
