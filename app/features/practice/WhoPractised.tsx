import type { Exercise, PracticeLine } from '@longbar/core';
import { formatDay, LEVELS } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { usePracticeQuery } from '../../state/api';
import { space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Fold } from '../../ui/Fold';
import { Spread, Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';

type Props = { titles: Record<Exercise, string> };

/** Who of the shop has practised what, for a foreman: the best of each level, and when last. */
export function WhoPractised({ titles }: Props) {
  const { data, isError } = usePracticeQuery();
  const people = [...new Set(data?.map(({ who }) => who))];
  return (
    <Fold title="Who has practised what" holds={peopleWords(people, isError && !data)}>
      <Stack gap={space.large}>
        {people.map((who) => (
          <OfOne
            key={who}
            who={who}
            lines={data?.filter((each) => each.who === who) ?? []}
            {...{ titles }}
          />
        ))}
      </Stack>
    </Fold>
  );
}

function peopleWords(people: readonly string[], silent: boolean): string {
  if (silent) return 'The server could not be reached';
  return people.length === 0 ? 'Nobody yet' : people.join(', ');
}

function OfOne({ who, lines, titles }: Props & { who: string; lines: readonly PracticeLine[] }) {
  const tokens = useTokens();
  const last = lines
    .map((each) => each.last)
    .sort()
    .at(-1);
  const exercises = [...new Set(lines.map(({ exercise }) => exercise))];
  return (
    <View role="group" aria-label={who}>
      <Spread>
        <Words as="heading">{who}</Words>
        <Words as="note" color="secondInk">
          last on {last !== undefined && formatDay(last)}
        </Words>
      </Spread>
      {exercises.map((exercise) => (
        <Spread key={exercise} style={{ ...styles.line, borderColor: tokens.hair }}>
          <Words>{titles[exercise]}</Words>
          <Words as="strong">{bestWords(lines.filter((each) => each.exercise === exercise))}</Words>
        </Spread>
      ))}
    </View>
  );
}

/** "1: 100 · 2: 83", by level. */
function bestWords(lines: readonly PracticeLine[]): string {
  return LEVELS.flatMap((level) => {
    const line = lines.find((each) => each.level === level);
    return line ? [`level ${level}: ${line.best}`] : [];
  }).join(' · ');
}

const styles = StyleSheet.create({ line: { borderTopWidth: 1, paddingVertical: 6 } });
