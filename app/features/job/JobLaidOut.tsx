import type { ReactNode } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import type { MapCell } from '../../drawing/mapCell';
import { useTokens } from '../../theme/ThemeProvider';
import { space } from '../../theme/tokens';
import { webStyle } from '../../ui/webStyle.web';
import { JobMap } from './engine/JobMap';
import { JobOverview } from './engine/JobOverview';
import { KeysHelp } from './frame/KeysHelp';
import { useJobLayout } from './frame/useJobLayout';
import type { LookedAt } from './model/lookedAt';
import type { WorkingJob } from './model/workingJob';

type Props = {
  job: WorkingJob;
  place: LookedAt;
  cells: Record<string, MapCell>;
  header: ReactNode;
  /** The present step, in its panel. */
  body: ReactNode;
  /** Whether something else lies over it all. */
  behind: boolean;
  onSelect: (id: string) => void;
};

/** A job's header, its panel and the picture of the engine, as this screen has room for them. */
export function JobLaidOut({ job, place, cells, header, body, behind, onSelect }: Props) {
  const tokens = useTokens();
  const { width } = useWindowDimensions();
  const { picture, panel, isShort } = useJobLayout();
  const beside = width - panel;
  const map = (room: number) =>
    place.chosen !== undefined && (
      <View style={styles.map}>
        <JobMap
          {...{ job, cells, onSelect }}
          width={room - 2 * space.medium}
          oneBank
          short={isShort && picture === 'above'}
        />
      </View>
    );
  const hidden = behind && styles.behind;
  if (picture === 'above' || picture === 'none') {
    return (
      <View style={[styles.below, hidden]}>
        {header}
        {picture === 'above' && map(width)}
        {body}
      </View>
    );
  }
  return (
    <View style={[styles.columns, hidden]}>
      {picture === 'engine' ? (
        <View style={styles.main}>
          {header}
          <JobOverview
            {...{ job, cells, onSelect }}
            stop={place.stop}
            width={beside - 2 * space.huge}
          />
        </View>
      ) : (
        <ScrollView style={styles.main}>
          {header}
          {map(beside)}
        </ScrollView>
      )}
      <View style={[styles.aside, { width: panel, borderColor: tokens.line }]}>{body}</View>
      {picture === 'engine' && <KeysHelp job={job} />}
    </View>
  );
}

const styles = StyleSheet.create({
  below: { flex: 1, minHeight: 0 },
  map: { paddingHorizontal: space.medium, paddingBottom: space.small },
  columns: { flex: 1, flexDirection: 'row', minHeight: 0 },
  main: { flex: 1 },
  aside: { borderLeftWidth: 1 },
  // Its step still says what its button records; nobody gets to it by keys, or hears it read.
  behind: webStyle({ visibility: 'hidden' }),
});
