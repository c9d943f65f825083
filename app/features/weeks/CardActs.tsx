import { formatDay } from '@longbar/core';
import { useRouter } from 'expo-router';
import { useAppSelector } from '../../state/store';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { Row, Stack } from '../../ui/Panel';
import { Select } from '../../ui/Select';
import { useNamesHere } from '../people/useNamesHere';
import type { CardProps } from './cardProps';

const NOBODY = 'nobody yet';

/** What can be done with a machine in the plan without dragging it. */
export function CardActs({ machine, weeks, mayPlan, onPlan }: CardProps) {
  const { id, name, span, planned } = machine;
  const router = useRouter();
  const names = useNamesHere().map((each) => each.name);
  const own = useAppSelector(({ preferences }) => preferences.name);
  const people = names.length === 0 && own !== '' ? [own] : names;
  const at = planned ? weeks.indexOf(planned.week) : -1;
  const put = (week: string | null | undefined) => {
    if (week !== undefined) onPlan({ machine: id, week });
  };
  const first = weeks[Math.min(span?.from ?? 0, weeks.length - 1)];
  return (
    <Stack gap={space.small}>
      {mayPlan && !planned && first !== undefined && (
        <Act label={`Plan it for the week of ${formatDay(first)}`} onPress={() => put(first)} />
      )}
      {mayPlan && planned && (
        <>
          <Row>
            <Act
              label="A week earlier"
              name={`${name}: a week earlier`}
              style={{ flex: 1 }}
              disabled={at <= 0}
              onPress={() => put(weeks[at - 1])}
            />
            <Act
              label="A week later"
              name={`${name}: a week later`}
              style={{ flex: 1 }}
              disabled={at >= weeks.length - 1}
              onPress={() => put(weeks[at + 1])}
            />
          </Row>
          <Select
            label={`Who does ${name}`}
            value={planned.who ?? NOBODY}
            options={[NOBODY, ...people]}
            onChange={(who) =>
              onPlan({ machine: id, week: planned.week, who: who === NOBODY ? null : who })
            }
          />
          <Act
            label="Out of the plan"
            name={`${name}: out of the plan`}
            onPress={() => put(null)}
          />
        </>
      )}
      <Act label={`Go to ${name}`} onPress={() => router.push(`/machines/${id}`)} />
    </Stack>
  );
}
