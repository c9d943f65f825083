import { inlineSix } from '../../test-support/engines';
import { head, journal, setting, uuid, wholeJob } from '../../test-support/journal';
import type { ParsedArchive } from '..';
import { ARCHIVE_FORMAT, isRefused, parseArchive } from '..';

const AT = '2026-05-02T08:00:00Z';
const SHEET = uuid(3);
const first = { type: 'archive', format: ARCHIVE_FORMAT };
const sheet = { type: 'sheet', id: SHEET, revision: 1, publishedAt: AT, document: inlineSix() };
const machine = {
  type: 'machine',
  id: head.machine,
  name: 'Brine pump 2',
  sheet: SHEET,
  meter: [],
  baseline: { last: null, breakInDone: false },
};
const hours = { type: 'hours', machine: head.machine, date: '2026-05-02', hours: 6612 };
const job = { type: 'job', head, sheet: SHEET, seal: null };
const events = journal(wholeJob()).map((event) => ({ type: 'event', event, receivedAt: AT }));

const parse = (...lines: unknown[]) => parseArchive(lines.map((l) => JSON.stringify(l)).join('\n'));
const told = (parsed: ParsedArchive) =>
  isRefused(parsed) ? parsed.issues.map(({ line, path }) => `${line} ${path}`) : [];

describe('an archive', () => {
  it('is read line by line, with or without an end to the last', () => {
    const told = [first, sheet, machine, hours, job, ...events];
    const whole = [...told, { type: 'end', lines: told.length, sha256: 'a'.repeat(64) }];
    expect(setting.head).toBe(head);
    expect(parse(...whole)).toEqual({ lines: whole });
    const text = `${whole.map((line) => JSON.stringify(line)).join('\n')}\n`;
    expect(isRefused(parseArchive(text))).toBe(false);
  });

  it('that was cut at a line is none, but for one of an earlier version', () => {
    const lines = [first, sheet, machine, hours];
    const end = { type: 'end', lines: 4, sha256: 'a'.repeat(64) };
    for (let cut = 1; cut <= 4; cut++) {
      expect(told(parse(...lines.slice(0, cut)))).toEqual([`${cut + 1} `]);
    }
    expect(told(parse(...lines, end))).toEqual([]);
    expect(told(parse(...lines.slice(0, -1), end))).toEqual(['4 lines']);
    expect(told(parse(...lines, end, hours))).toEqual(['6 ']);
    const earlier = { ...first, format: 'longbar.archive/1' };
    expect(isRefused(parse(earlier, ...lines.slice(1)))).toBe(false);
  });

  it('begins by saying what it is, once', () => {
    expect(told(parse(sheet))).toEqual(['1 type']);
    expect(told(parse({ ...first, format: 'longbar.archive/9' }))).toEqual(['1 format']);
    expect(told(parse(first, first))).toEqual(['2 type']);
    expect(told(parse(first, { type: 'engine' }))).toEqual(['2 type']);
    expect(told(parse(first, null))).toEqual(['2 type']);
  });

  it('has everything after what it belongs to, and nothing twice', () => {
    expect(told(parse(first, machine))).toEqual(['2 sheet']);
    expect(told(parse(first, sheet, hours))).toEqual(['3 machine']);
    expect(told(parse(first, sheet, machine, events[0]))).toEqual(['4 event.job']);
    expect(told(parse(first, sheet, sheet))).toEqual(['3 id']);
    expect(told(parse(first, { ...sheet, revision: 2 }))).toEqual(['2 revision']);
    expect(told(parse(first, sheet, machine, job, job))).toEqual(['5 head.id']);
    expect(told(parse(first, sheet, machine, job, events[0], events[0]))).toEqual(['6 event.id']);
    const other = { ...head, sheetRevision: 4 };
    expect(told(parse(first, sheet, machine, { ...job, head: other }))).toEqual([
      '4 head.sheetRevision',
    ]);
  });

  it('is held to the checks that sheets and events are held to elsewhere', () => {
    const twice = { ...inlineSix(), firing: { order: [1, 1, 3, 6, 2, 4] } };
    expect(told(parse(first, { ...sheet, document: twice })).join()).toContain('document.firing');
    const { event } = events[2]!;
    const wrong = { type: 'event', event: { ...event, hours: -5 }, receivedAt: AT };
    expect(told(parse(first, sheet, machine, job, wrong))).toEqual(['5 event.hours']);
    const soon = { ...hours, date: 'soon' };
    expect(new Set(told(parse(first, sheet, machine, soon)))).toEqual(new Set(['4 date']));
  });

  it('tells no more than fifty mistakes at once', () => {
    const lines = Array.from({ length: 200 }, () => ({ type: 'engine' }));
    expect(told(parse(first, ...lines))).toHaveLength(50);
  });
});
