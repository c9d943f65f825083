import type { BarringMethod, BarringPlan, Refused } from '@longbar/core';
import { isRefused, METHOD_TITLES } from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';

type Props = {
  answers: { method: BarringMethod; answer: BarringPlan | Refused }[];
  chosen: BarringMethod;
};

/** The methods side by side: stops, turning, smallest margin, what is left over. */
export function PlanComparison({ answers, chosen }: Props) {
  const tokens = useTokens();
  return (
    <View role="table" aria-label="The methods side by side">
      <View role="row" style={[styles.row, { borderColor: tokens.ink }]}>
        {['Method', 'Stops', 'Turning', 'Margin', 'Left over'].map((title, i) => (
          <Words
            key={title}
            as="label"
            role="columnheader"
            color="secondInk"
            style={i === 0 ? styles.first : styles.cell}
          >
            {title}
          </Words>
        ))}
      </View>
      {answers.map(({ method, answer }) => (
        <View key={method} role="row" style={[styles.row, { borderColor: tokens.hair }]}>
          <Words as={method === chosen ? 'strong' : 'note'} role="rowheader" style={styles.first}>
            {METHOD_TITLES[method]}
          </Words>
          {isRefused(answer) ? (
            <Words as="note" role="cell" color="secondInk" style={styles.refused}>
              {answer.says}
            </Words>
          ) : (
            figuresOf(answer).map((figure, i) => (
              <Words key={i} as="figure" role="cell" style={styles.cell}>
                {figure}
              </Words>
            ))
          )}
        </View>
      ))}
    </View>
  );
}

function figuresOf({ stops, totalTurn, smallestMargin, leftOver }: BarringPlan): string[] {
  return [
    String(stops.length),
    `${Math.round(totalTurn)}°`,
    smallestMargin === null ? '–' : `${Math.round(smallestMargin)}°`,
    String(leftOver.length),
  ];
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.small,
    borderBottomWidth: 1,
    paddingVertical: 8,
  },
  first: { flex: 2 },
  cell: { flex: 1, textAlign: 'right' },
  refused: { flex: 4 },
});
