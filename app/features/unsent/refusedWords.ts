import { eventWords, formatHours } from '@longbar/core';
import type { Outgoing } from '../../phone/phoneDatabase';
import type { KeptJob } from '../../state/jobs';

/** What this phone knows that something may be about. */
export type Known = {
  jobs: Readonly<Record<string, KeptJob>>;
  machines: readonly { id: string; name: string }[];
};

/** What the server refused, and of which machine, for whoever has to see to it. */
export function refusedWords(item: Outgoing, { jobs, machines }: Known): string {
  const onJob = (id: string) => jobs[id]?.context.machineName ?? 'a machine';
  const ofMachine = (id: string) => machines.find((each) => each.id === id)?.name ?? 'a machine';
  switch (item.kind) {
    case 'event':
      return `${eventWords(item.event)}, on ${onJob(item.event.job)}`;
    case 'job':
      return `The job on ${onJob(item.head.id)}`;
    case 'proof':
      return `The signature on ${onJob(item.job)}`;
    case 'practice':
      return 'A round of practice';
    case 'blob':
      return 'A photo or clip';
    case 'sheet':
      return `Revision ${item.sheet.revision} of the sheet ${item.sheet.document.name}`;
    case 'machine':
      return `The machine ${item.machine.name}`;
    case 'change':
      return `A change of ${ofMachine(item.machine)}`;
    case 'hours':
      return `A reading of ${formatHours(item.reading.hours)} h of ${ofMachine(item.machine)}`;
  }
}
