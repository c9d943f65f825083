import type { Found, JobEvent } from '@longbar/core';
import { describeEvent, isKnown } from '@longbar/core';
import { Op } from 'sequelize';
import type { Database } from './database';

const MOST = 40;

/** Events in which people write words; an index of the journal holds these alone. */
const WRITTEN = `json_extract(body, '$.type') IN ('why.noted', 'opening.noted', 'question.answered',
    'adjuster.unset', 'run.noted', 'machine.noted', 'record.amended', 'isolation.exempted')`;

/** Machines by their name or engine, and what was written in their jobs, newest first. */
export async function search(db: Database, words: string): Promise<Found[]> {
  const like = `%${words.replace(/[\\%_]/g, '\\$&')}%`;
  const [machines, sheets] = await Promise.all([
    db.tables.machines.findAll({ order: ['name'] }),
    db.tables.sheets.findAll({ order: ['revision'] }),
  ]);
  const engines = new Map(sheets.map((row) => [row.get().id, row.get().document.name]));
  const byId = new Map(machines.map((row) => [row.get().id, row.get()]));
  const has = (text: string) => text.toLowerCase().includes(words.toLowerCase());
  const found = [...byId.values()]
    .map(({ id, name, sheet }) => ({ id, name, engine: engines.get(sheet) ?? '' }))
    .filter(({ name, engine }) => has(name) || has(engine))
    .map(({ id, name, engine }): Found => ({
      kind: 'machine',
      machine: id,
      machineName: name,
      says: engine,
    }));
  const events = await db.rows<{ job: string; body: string }>(
    `SELECT job, CAST(body AS TEXT) AS body FROM events
     WHERE ${WRITTEN} AND CAST(body AS TEXT) LIKE $1 ESCAPE '\\'
     ORDER BY serial DESC LIMIT ${MOST}`,
    [like],
  );
  const ids = [...new Set(events.map(({ job }) => job))];
  const jobs = await db.tables.jobs.findAll({ where: { id: { [Op.in]: ids } } });
  const machineOf = new Map(jobs.map((row) => [row.get().id, row.get().machine]));
  const written = events.flatMap(({ job, body: text }): Found[] => {
    const body = JSON.parse(text) as JobEvent;
    const machine = byId.get(machineOf.get(job) ?? '');
    const says = wordsOf(body);
    if (!machine || !has(says)) return [];
    const { id, name } = machine;
    return [{ kind: 'words', machine: id, machineName: name, job, at: body.at, says }];
  });
  return [...found, ...written].slice(0, MOST);
}

/** What a person wrote in an event. */
function wordsOf(event: JobEvent): string {
  if (!isKnown(event)) return '';
  const { what, detail } = describeEvent(event);
  const more = ['symptom', 'note', 'from', 'says'] as const;
  const rest = more.flatMap((key) => {
    const value = (event as Record<string, unknown>)[key];
    return typeof value === 'string' && value !== '' ? [value] : [];
  });
  return [`${what}: ${detail}`, ...rest.filter((text) => !detail.includes(text))].join(', ');
}
