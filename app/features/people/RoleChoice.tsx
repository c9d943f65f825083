import type { Role } from '@longbar/core';
import { ROLES } from '@longbar/core';
import { View } from 'react-native';
import { Choice } from '../../ui/Choice';
import { Tiles } from '../../ui/Tiles';

/** A role, and what it may do. */
export const ROLE_WORDS: Record<Role, [string, string]> = {
  reader: ['Reader', 'Reads machines, jobs, records and sheets. Writes nothing down.'],
  helper: ['Helper', 'Reads, turns under the machine by the helper’s view, hangs their own lock.'],
  technician: ['Technician', 'Jobs, hours and machines. Sheets are drafted, a foreman publishes.'],
  foreman: ['Foreman', 'All of that, and people, sheets, the shop’s rules, the archive.'],
};

/** What a person may do. */
export function RoleChoice({ role, onChoose }: { role: Role; onChoose: (role: Role) => void }) {
  return (
    <View role="radiogroup" aria-label="What they may do">
      <Tiles columns={1}>
        {ROLES.map((each) => {
          const [label, detail] = ROLE_WORDS[each];
          const chosen = each === role;
          return (
            <Choice key={each} {...{ label, detail, chosen }} onPress={() => onChoose(each)} />
          );
        })}
      </Tiles>
    </View>
  );
}
