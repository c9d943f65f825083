import type { Stop } from '@longbar/core';
import { camLanes, cycleDegrees, describeSet, isRefused } from '@longbar/core';
import { useMemo } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { CamMap } from '../../../drawing/CamMap';
import type { MapCell } from '../../../drawing/mapCell';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';
import { EngineDial } from '../../../drawing/EngineDial';
import { crankAngle } from './jobCells';
import { JobMap } from './JobMap';
import type { WorkingJob } from '../model/workingJob';

type Props = {
  job: WorkingJob;
  cells: Record<string, MapCell>;
  stop: Stop | undefined;
  width: number;
  onSelect: (id: string) => void;
};

const DIAL = 236;

/** The wide screen's picture: the head, the cam map and the dial, turning together. */
export function JobOverview({ job, cells, stop, width, onSelect }: Props) {
  const { sheet } = job.setting;
  const lanes = useMemo(() => camLanes(sheet), [sheet]);
  const at = crankAngle(job);
  // What is said below it takes no more, or the dial would leave the screen.
  const camWidth = width - DIAL - space.huge;
  const stops = isRefused(job.plan) ? [] : job.plan.stops;
  return (
    <ScrollView contentContainerStyle={styles.content}>
      <JobMap {...{ job, cells, width, onSelect }} fine />
      {stop && (
        <Words as="note" color="secondInk">
          {setHere(stop)}
        </Words>
      )}
      <View style={styles.beside}>
        <View style={{ width: camWidth }}>
          <CamMap
            lanes={lanes}
            cycle={cycleDegrees(sheet)}
            at={at ?? 0}
            stops={stops.map((each) => each.at)}
            width={camWidth}
          />
          <Words as="note" color="secondInk">
            Cylinders in firing order: intake filled, exhaust dashed, stops dotted.
          </Words>
        </View>
        <View style={styles.dial}>
          <EngineDial sheet={sheet} rotation={job.rotation} at={at} size={DIAL} />
          <Words as="note" style={styles.centred}>
            {at === undefined ? 'Position not found yet' : `Crank at ${Math.round(at)}°`}
          </Words>
        </View>
      </View>
    </ScrollView>
  );
}

/** What is set at a stop, and how much room there is. */
export function setHere(stop: Stop): string {
  const margin = Math.min(...stop.set.map((each) => each.margin));
  return `Set here: ${describeSet(stop.set)}. Smallest margin ${Math.round(margin)}°.`;
}

const styles = StyleSheet.create({
  content: { paddingHorizontal: space.large, paddingBottom: space.large, gap: space.medium },
  beside: { flexDirection: 'row', gap: space.huge, alignItems: 'center' },
  dial: { alignItems: 'center', gap: space.small },
  centred: { textAlign: 'center' },
});
