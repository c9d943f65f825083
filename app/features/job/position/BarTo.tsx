import type { Stop } from '@longbar/core';
import {
  cycleDegrees,
  describeWatch,
  ratchetClicks,
  toolTurns,
  wiggleAt,
  wrap,
} from '@longbar/core';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { Act } from '../../../theme/Act';
import { Caution } from '../../../theme/Caution';
import { Row } from '../../../theme/Panel';
import { space } from '../../../theme/tokens';
import { Words } from '../../../theme/Words';
import { EngineDial } from '../../../drawing/EngineDial';
import { crankAngle, jobCells } from '../engine/jobCells';
import { JobMap } from '../engine/JobMap';
import { StepFrame } from '../frame/StepFrame';
import { TurnedByAnother } from '../helper/TurnedByAnother';
import type { StepProps } from '../model/stepProps';

type Props = Pick<StepProps, 'job' | 'wide' | 'after'> & {
  stop: Stop;
  place: number;
  round: boolean;
};

/** On the way to a stop: how far, which way, which mark, and what the rockers must do there. */
export function BarTo({ job, wide, after, stop, place, round }: Props) {
  const { width } = useWindowDimensions();
  const { sheet } = job.setting;
  const cycle = cycleDegrees(sheet);
  const from = crankAngle(job) ?? stop.at;
  const way = wrap(stop.at - from, cycle);
  const turn = way === 0 && round ? cycle : way;
  const { sense = 'clockwise', seenFrom = 'front', reversible } = sheet.rotation ?? {};
  const wiggle = wiggleAt(sheet, stop);
  const agree = () => job.act({ type: 'stop.reached', stop: place, round });
  return (
    <StepFrame
      job={job}
      after={after}
      primary={
        <Row>
          <Act weight="primary" label="They agree" onPress={agree} style={styles.agree} />
          <Act label="They do not" onPress={() => job.act({ type: 'position.lost' })} />
        </Row>
      }
    >
      <View style={styles.centre}>
        <Words as="title" style={styles.centred}>
          Bar {Math.round(turn)}° {sense}
        </Words>
        <Words color="secondInk" style={styles.centred}>
          {[`seen from the ${seenFrom}`, ...toolWords(sheet.barring, turn)].join(' · ')}
        </Words>
        {!wide && <EngineDial sheet={sheet} at={from} turn={turn} size={184} />}
        <Words as="strong" style={styles.centred}>
          {markWords(stop.mark, turn)}
        </Words>
        <Words as="note" color="secondInk" style={styles.centred}>
          {reversible
            ? 'Past it: go well back, and come up again in the same direction.'
            : `Never backwards on this engine. Past it: go on ${cycle}°.`}
        </Words>
      </View>
      <Words as="heading">There: {wiggleWords(wiggle)}</Words>
      {stop.watch && <Words as="strong">{describeWatch(stop.watch)}</Words>}
      <Words as="note" color="secondInk">
        All of them must agree before anything is set.
      </Words>
      <TurnedByAnother
        job={job.setting.head.id}
        planned={{
          degrees: turn,
          sense,
          seenFrom,
          from,
          ...(stop.mark !== undefined && { mark: stop.mark }),
        }}
      />
      <Caution>Pins out before the turn, fingers clear of the rockers while anyone turns.</Caution>
      {!wide && (
        <JobMap
          job={job}
          cells={jobCells(job, { stop, at: stop.at })}
          width={width - 2 * space.large}
        />
      )}
    </StepFrame>
  );
}

const number = new Intl.NumberFormat('en', { maximumFractionDigits: 1 });

function toolWords(
  barring: { ratio?: number | undefined; teeth?: number | undefined } | undefined,
  turn: number,
): string[] {
  const words: string[] = [];
  if (barring?.ratio === undefined) return words;
  const turns = toolTurns(turn, barring.ratio);
  words.push(`${number.format(turns)} ${turns === 1 ? 'turn' : 'turns'} of the tool`);
  if (barring.teeth !== undefined)
    words.push(`${number.format(ratchetClicks(turns, barring.teeth))} clicks`);
  return words;
}

function markWords(mark: string | undefined, turn: number): string {
  if (mark === undefined) return 'No mark stands here: watch the rockers.';
  return turn >= 360 ? `Mark ${mark} comes round once more.` : `To mark ${mark}.`;
}

function wiggleWords({ loose, firm }: { loose: number[]; firm: number[] }): string {
  const both = (cylinders: number[], how: string) =>
    cylinders.length ? [`No. ${cylinders.join(' and ')} both ${how}`] : [];
  const words = [...both(loose, 'loose'), ...both(firm, 'firm')];
  return words.length ? `${words.join(', ')}.` : 'the rockers lit on the map loose.';
}

const styles = StyleSheet.create({
  centre: { alignItems: 'center', gap: space.hair },
  centred: { textAlign: 'center' },
  agree: { flex: 1 },
});
