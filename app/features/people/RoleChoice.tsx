import type { Role } from '@longbar/core';
import { ROLES } from '@longbar/core';
import { OneOf } from '../../ui/OneOf';

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
    <OneOf
      name="What they may do"
      columns={1}
      options={ROLES.map((each) => [each, ...ROLE_WORDS[each]] as const)}
      chosen={role}
      onChoose={onChoose}
    />
  );
}
