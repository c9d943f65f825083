import { useCalendarQuery, useRenewCalendarMutation } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { AskFirst } from '../../ui/AskFirst';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { calendarAddress } from '../shared/calendarAddress';

/** The secret address of the calendar; whoever should not read it any more is left behind. */
export function CalendarHere() {
  const calendar = useCalendarQuery();
  const [renew, { isLoading, error }] = useRenewCalendarMutation();
  if (!calendar.data) return null;
  return (
    <Stack>
      <Words as="heading">Calendar</Words>
      <Words as="note" color="secondInk" selectable>
        Whoever knows this address reads what is due and when: {calendarAddress(calendar.data.key)}
      </Words>
      <AskFirst
        label="Another address"
        question="Every calendar that subscribed to this one stops, and is given the new one by hand."
        no="Keep it"
        yes={isLoading ? 'Renewing …' : 'Renew it'}
        weight="stop"
        busy={isLoading}
        onYes={() => void renew()}
        refusal={error && refusalOf(error).message}
      />
    </Stack>
  );
}
