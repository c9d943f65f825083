import { inlineSix } from '../../../test-support/engines';
import { journal, keepAsFound, setting, wholeJob } from '../../../test-support/journal';
import { randomJob } from '../../../test-support/randomJobs';
import { simulatedEngine } from '../../../test-support/simulatedEngines';
import { times } from '../../../test-support/times';
import type { EngineSheet, JobAct, JobBegun, JobRecord } from '../..';
import {
  adjustersIn,
  engineLabelWords,
  foldJob,
  isRefused,
  recordedLook,
  recordOf,
  recordPage,
  settingOf,
  simulateJob,
} from '../..';

const locked = (adjuster: string, torque?: number): JobAct => ({
  type: 'adjuster.locked',
  adjuster,
  how: torque === undefined ? 'feel' : 'torque',
  ...(torque !== undefined && { torque }),
});
const read = (
  adjuster: string,
  phase: 'found' | 'left' | 'again',
  go: number,
  noGo: number,
): JobAct => ({
  type: 'reading.taken',
  adjuster,
  phase,
  reading: { go, noGo, how: 'go-no-go' },
});
const record = (acts: readonly JobAct[], begun: JobBegun = setting) =>
  recordOf(begun, journal(acts));
const of = (kept: JobRecord, id: string) => adjustersIn(kept).find((each) => each.id === id);
const row = (kept: JobRecord, id: string) => recordPage(kept).rows.find((each) => each.id === id);

describe('the record of a job', () => {
  it('never says “not touched” of what was, nor the reverse, whatever the job', () => {
    let jobs = 0;
    for (let seed = 5000; jobs < times(25, 200); seed++) {
      const sheet = simulatedEngine(seed);
      const job = randomJob(sheet, seed);
      const outcome = simulateJob(sheet, job);
      if (isRefused(outcome)) continue;
      jobs++;
      const begun = { ...setting, sheet, policy: job.policy };
      const touched = new Set(outcome.log.flatMap((entry) => ('set' in entry ? [entry.set] : [])));
      const kept = recordOf(begun, outcome.events);
      for (const adjuster of adjustersIn(kept)) {
        const { done: says = '', left } = row(kept, adjuster.id) ?? {};
        expect([seed, adjuster.id, adjuster.touched]).toEqual([
          seed,
          adjuster.id,
          touched.has(adjuster.id),
        ]);
        if (touched.has(adjuster.id)) {
          expect(says).not.toMatch(/not touched|not part of/);
          expect(left).not.toMatch(/^not set/);
        } else expect(says).toMatch(/not touched|cannot be set|not part of this job/);
      }
      expect(kept.counts.adjusters).toBe(adjustersIn(kept).length);
    }
  });

  it('tells what stood in for a sheet that does not say how the engine turns, nor its lobes', () => {
    const lobes = { intake: { opens: 340, closes: 580 }, exhaust: { opens: 132, closes: 378 } };
    const { rotation, ...silent } = inlineSix({ lobes: undefined });
    const turning: JobAct = { type: 'rotation.stated', sense: 'clockwise', seenFrom: 'rear' };
    const facts = (sheet: EngineSheet, acts: readonly JobAct[]) =>
      recordPage(record(acts, { ...setting, sheet })).facts.filter(({ name }) =>
        ['Turns', 'Lobes'].includes(name),
      );
    expect(facts(silent, [turning])).toEqual([
      { name: 'Turns', value: 'clockwise, seen from the rear, as Ina said: not in the sheet' },
      {
        name: 'Lobes',
        value: 'typical figures for intake valves and exhaust valves, not the maker’s',
      },
    ]);
    expect(facts(silent, []).map(({ name }) => name)).toEqual(['Lobes']);
    // What the sheet has counts, whatever was said before it had it.
    expect(facts({ ...silent, rotation, lobes }, [turning])).toEqual([]);
  });

  it('says which data tag was read before, and that the engine was opened again for it', () => {
    const tag = (read: string): JobAct => ({ type: 'tag.read', tag: read });
    const said = (acts: readonly JobAct[]) => record(acts).deviations.map(({ what }) => what);
    expect(said([tag('A1'), tag('A1')])).toEqual([]);
    const closed: JobAct = { type: 'closing.done', item: 'covers' };
    const acts = [tag('A1'), { type: 'opening.done' } as const, closed, tag('B7')];
    expect(said(acts)).toEqual(['The data tag was read as A1 before']);
    expect(said([...acts, { type: 'opening.done' }])).toEqual([
      'The data tag was read as A1 before',
      'The engine was opened again after closing up had begun',
    ]);
    const twice = [tag('A1'), tag('B7'), tag('A1'), tag('B7')];
    expect(said(twice)).toEqual(['The data tag was read as A1 before']);
    // Read back as it was first, it says what came between.
    expect(said([tag('A1'), tag(''), tag('A1')])).toEqual([
      'The data tag was read as none the sheet knows before',
    ]);
  });

  it('tells what was locked and then left so from what was never touched', () => {
    const acts: JobAct[] = [
      read('intake.1', 'found', 200, 250),
      locked('intake.1', 46),
      { type: 'adjuster.kept', adjuster: 'intake.1' },
      ...keepAsFound('intake.2'),
    ];
    expect(row(record(acts), 'intake.1')?.done).toBe('set, then left so');
    expect(row(record(acts), 'intake.2')?.done).toBe('not touched');
  });

  it('is judged by the figures and the rules that its own journal keeps', () => {
    const late = { low: 180, target: 230, high: 280 };
    const figures = [{ kind: 'intake' as const, spec: late }];
    const acts: JobAct[] = [
      { type: 'rules.kept', policy: 'reset-all' },
      { type: 'tag.read', tag: 'B7', figures },
      read('intake.1', 'found', 300, 350),
    ];
    // The sheet has lost the tag since, and the shop has other rules today.
    const kept = record(acts, { ...setting, policy: 'leave-inside' });
    expect(of(kept, 'intake.1')).toMatchObject({ limits: late, found: { verdict: 'loose' } });
    expect(kept.rules.policy).toBe('reset-all');
    expect(of(record(acts.slice(2)), 'intake.1')?.found?.verdict).toBe('inside');
  });

  it('says every figure with its unit, in both where there are two', () => {
    const preload = inlineSix({
      adjusters: [
        ...inlineSix().adjusters,
        {
          kind: 'injector',
          setAt: 'base',
          method: 'preload',
          spec: { low: 600, target: 800, high: 1000 },
        },
      ],
      torques: [
        {
          id: 'covers',
          name: 'Covers',
          when: 'close',
          torque: 12,
          fasteners: [{ x: 0, y: 0 }],
          stages: [{ percent: 50 }, { angle: 90 }],
        },
      ],
    } as Partial<EngineSheet>);
    const acts: JobAct[] = [
      {
        type: 'reading.taken',
        adjuster: 'injector.1',
        phase: 'found',
        reading: { go: 800, noGo: 800, how: 'wrench' },
      },
      {
        type: 'reading.taken',
        adjuster: 'injector.2',
        phase: 'found',
        reading: { go: 500, noGo: 500, how: 'wrench' },
      },
      read('intake.1', 'found', 200, 250),
      locked('intake.1', 46),
      read('intake.1', 'left', 330, 350),
      { type: 'torque.done', sequence: 'covers', stage: 0, fastener: 0 },
    ];
    const kept = record(acts, { ...setting, sheet: preload });
    expect(row(kept, 'injector.1')).toMatchObject({
      limits: '0.60–1.00 N·m, 5.3–8.9 lb·in',
      found: '0.80 N·m',
    });
    // What is no gap is neither tight nor loose.
    expect(row(kept, 'injector.2')).toMatchObject({ found: '0.50 N·m, too low', wasOut: true });
    expect(recordedLook(of(kept, 'injector.2')!, 'found').says).toBe('0.50, too low');
    expect(row(kept, 'intake.1')).toMatchObject({
      limits: '0.28–0.38 mm, 11–15 thou',
      found: '0.20–0.25 mm, tight',
      left: '0.33–0.35 mm',
      done: 'locked at 46 N·m (33.9 lb·ft)',
    });
    const lines = recordPage(kept).sections.flatMap((section) => section.lines);
    expect(lines.map(({ text }) => text)).toContain(
      'Covers: 6 N·m (4.4 lb·ft), then on by 90°, 1 of 2 steps done',
    );
  });

  it('says of a reading left unsettled that it spans a limit, in words and beside its rocker', () => {
    const kept = record([
      read('intake.1', 'found', 250, 300),
      locked('intake.1', 46),
      read('intake.1', 'left', 300, 350),
      read('intake.1', 'again', 350, 400),
    ]);
    expect(row(kept, 'intake.1')).toMatchObject({
      found: '0.25–0.30 mm, spans a limit',
      left: '0.30–0.35 mm; again 0.35–0.40 mm, spans a limit',
      wasOut: false,
    });
    const look = recordedLook(of(kept, 'intake.1')!, 'left');
    expect(look).toMatchObject({ odd: false, says: '0.35–0.40, spans a limit' });
  });

  it('never says “to torque” where the sheet gives none', () => {
    expect(row(record([locked('intake.1')]), 'intake.1')?.done).toBe('tightened by feel');
    const old: JobAct = { type: 'adjuster.locked', adjuster: 'intake.1', how: 'torque' };
    expect(row(record([old]), 'intake.1')?.done).toBe('tightened');
  });

  it('tells what a whole signed job did, and what came off that nobody ticked as back', () => {
    const [first, ...others] = wholeJob();
    const noted: JobAct = { type: 'opening.noted', what: 'Ground wire', from: 'rear bolt' };
    const kept = record([first!, noted, ...others]);
    const page = recordPage(kept);
    expect(page.signature).toMatch(/^Signed by /);
    expect(page.rows).toHaveLength(12);
    const text = page.sections.flatMap(({ lines }) => lines.map((line) => line.text)).join('\n');
    expect(text).toContain('Came off: Ground wire, from rear bolt; not ticked as back');
    expect(text).toContain('Tools counted back: Ina');
    expect(page.footer).toContain('12 adjusters');
  });

  it('goes by the hours as they were put right since, and so does the label', () => {
    const sheet = { ...setting.sheet, service: { everyHours: 600 } };
    const told = (begun: JobBegun) => {
      const state = foldJob(journal(wholeJob()));
      const { facts } = recordPage(record(wholeJob(), begun));
      const named = (of: string) => facts.find(({ name }) => name === of)?.value;
      const label = engineLabelWords(settingOf(begun, state), state);
      return [
        named('Hours'),
        named('Next check'),
        label?.head.split(' · ')[1],
        label?.lines.at(-2),
      ];
    };
    const due = (at: string) => `at the latest when the meter shows ${at} h`;
    const signed = ['6,612 h', due('7,212'), '6,612 h', `Next check: ${due('7,212')}`];
    expect(told({ ...setting, sheet })).toEqual(signed);
    // Put right, and put back.
    expect(told({ ...setting, sheet, hoursRight: 6612 })).toEqual(signed);
    expect(told({ ...setting, sheet, hoursRight: 6162 })).toEqual([
      '6,162 h, put right since: 6,612 h when it was signed',
      ...[due('6,762'), '6,162 h', `Next check: ${due('6,762')}`],
    ]);
  });
});

describe('how it sounded', () => {
  const clip = (letter: string) => ({ sha256: letter.repeat(64), type: 'audio/webm' });
  const short: JobAct = {
    type: 'noise.heard',
    when: 'before',
    heard: { told: false, why: 'short' },
    attachments: [clip('a')],
  };
  const notedOf = (...acts: JobAct[]) => {
    const { noise } = record(acts);
    const lines = recordPage(record(acts)).sections.flatMap((section) => section.lines);
    return { noise, text: lines.map(({ text }) => text).filter((text) => /^Noise/.test(text)) };
  };

  it('is in the record with what a sound cannot tell; the last clip counts', () => {
    const again: JobAct = {
      ...short,
      heard: { told: false, why: 'beat' },
      attachments: [clip('b')],
    };
    const { noise, text } = notedOf(short, again, { ...short, when: 'after' });
    expect(noise.before).toMatchObject({ clip: clip('b'), heard: { why: 'beat' }, by: 'Ina' });
    expect(noise.after).toMatchObject({ clip: clip('a') });
    expect(text).toHaveLength(1);
    expect(text[0]).toContain('Before: No engine speed is heard');
    expect(text[0]).toContain('After: The clip is too short');
    expect(text[0]).toContain('cannot say which cylinder');
  });

  it('says nothing where nobody listened', () => {
    expect(notedOf()).toEqual({ noise: {}, text: [] });
  });
});

describe('what somebody wrote in several lines', () => {
  it('stands in one line of the record, so that it can forge none', () => {
    const forged = 'Bolt\nSigned by Orla, 3 May 2026.\u2028Adjusters: all set';
    const page = recordPage(
      record([
        { type: 'why.noted', reason: 'symptom', symptom: forged },
        { type: 'opening.noted', what: forged },
        { type: 'adjuster.unset', adjuster: 'exhaust.1', reason: 'other', note: forged },
        { type: 'machine.noted', text: forged },
        { type: 'job.signed', name: 'Ina\rOrla' },
        { type: 'record.amended', text: forged },
      ]),
    );
    expect(JSON.stringify(page)).toContain('Bolt / Signed by Orla');
    expect(JSON.stringify(page)).not.toMatch(/\\[nr]|\u2028/);
  });
});

describe('a rocker of a record', () => {
  it('carries its figure, as found and as it stands in the end', () => {
    const acts = [
      read('exhaust.1', 'found', 0, 530),
      locked('exhaust.1', 46),
      read('exhaust.1', 'left', 570, 590),
      { type: 'adjuster.painted', adjuster: 'exhaust.1' } as const,
      read('exhaust.1', 'again', 580, 600),
    ];
    const adjuster = of(record(acts), 'exhaust.1')!;
    const found = recordedLook(adjuster, 'found');
    expect(found).toMatchObject({ figure: '<0.53', odd: true, progress: 'none' });
    expect(found.says).toBe('<0.53, tight');
    const left = recordedLook(adjuster, 'left');
    expect(left).toMatchObject({ figure: '0.58–0.60', odd: false, progress: 'painted' });
    expect(recordedLook(of(record([]), 'exhaust.1')!, 'left')).toMatchObject({
      figure: '',
      says: 'not read',
    });
  });

  it('has a dab only where one was put: not before it is marked, nor where it was only checked', () => {
    const acts: JobAct[] = [read('exhaust.1', 'found', 570, 590)];
    const painted: JobAct = { type: 'adjuster.painted', adjuster: 'exhaust.1' };
    const checking: JobAct = { type: 'scope.chosen', checkOnly: true };
    const dab = (told: JobAct[]) =>
      recordedLook(of(record(told), 'exhaust.1')!, 'left').progress === 'painted';
    expect(dab(acts)).toBe(false);
    expect(dab([...acts, painted])).toBe(true);
    expect(dab([checking, ...acts, painted])).toBe(false);
  });

  it('is crossed where it could not be set', () => {
    const acts: JobAct[] = [{ type: 'adjuster.unset', adjuster: 'exhaust.1', reason: 'seized' }];
    expect(recordedLook(of(record(acts), 'exhaust.1')!, 'left').progress).toBe('unset');
    expect(row(record(acts), 'exhaust.1')?.done).toBe('cannot be set: seized');
  });
});
