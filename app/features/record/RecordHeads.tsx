import type { JobRecord, RecordedHead } from '@longbar/core';
import { adjustersIn, recordedLook, seatingOf } from '@longbar/core';
import { useWindowDimensions, View } from 'react-native';
import { HeadMap } from '../../drawing/HeadMap';
import type { MapCell } from '../../drawing/mapCell';
import { space } from '../../theme/tokens';
import { Words } from '../../ui/Words';
import type { WorkingJob } from '../job/model/workingJob';

const HEADS: { head: RecordedHead; title: string }[] = [
  { head: 'found', title: 'As found' },
  { head: 'left', title: 'As left' },
];

type Props = { job: WorkingJob; record: JobRecord; widest: number };

/** The head as found and as left, with what was read written along each rocker. */
export function RecordHeads({ job, record, widest }: Props) {
  const { width } = useWindowDimensions();
  return HEADS.map(({ head, title }) => (
    <View key={head} aria-label={`The head ${title.toLowerCase()}`}>
      <Words as="strong">{title}</Words>
      <HeadMap
        banks={seatingOf(job.setting.sheet)}
        cells={cellsOf(record, head)}
        width={Math.min(width, widest) - 2 * space.large}
      />
    </View>
  ));
}

function cellsOf(record: JobRecord, head: RecordedHead): Record<string, MapCell> {
  return Object.fromEntries(
    adjustersIn(record).map((adjuster) => [adjuster.id, recordedLook(adjuster, head)]),
  );
}
