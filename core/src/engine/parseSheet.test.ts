import { inlineSix } from '../../test-support/engines';
import { isRefused, parseSheet } from '..';

const issuesOf = (json: unknown) => {
  const parsed = parseSheet(json);
  return isRefused(parsed) ? parsed.issues : [];
};

describe('parseSheet', () => {
  it('answers the same document, unknown fields and all, with nothing filled in', () => {
    const document = {
      ...inlineSix(),
      later: { field: [1] },
      lobes: { intake: { opens: 1, closes: 2, drawn: true } },
    };
    expect(parseSheet(document)).toEqual({ sheet: document });
  });

  it.each<[string, string, RegExp, object]>([
    [
      'an order that repeats a cylinder',
      'firing.order.2',
      /fires twice/,
      { firing: { order: [1, 5, 5, 6, 2, 4] } },
    ],
    [
      'an order that misses a cylinder',
      'layout.banks.0.cylinders.2',
      /missing from the firing order/,
      { firing: { order: [1, 5, 6, 2, 4] } },
    ],
    [
      'gaps that do not add up',
      'firing.gaps',
      /add up to 700/,
      { firing: { order: [1, 5, 3, 6, 2, 4], gaps: [120, 120, 120, 120, 120, 100] } },
    ],
    [
      'too few gaps',
      'firing.gaps',
      /2 gaps for 6/,
      { firing: { order: [1, 5, 3, 6, 2, 4], gaps: [360, 360] } },
    ],
    [
      'valves for the wrong number of cylinders',
      'layout.banks.0.valves',
      /spelled for 1/,
      { layout: { banks: [{ cylinders: [1, 2, 3, 4, 5, 6], valves: ['EI'] }] } },
    ],
    [
      'low above target',
      'adjusters.0.spec.low',
      /above the target/,
      { adjusters: [{ kind: 'intake', spec: { low: 380, target: 330, high: 400 } }] },
    ],
    [
      'high below target',
      'adjusters.0.spec.high',
      /below the target/,
      { adjusters: [{ kind: 'intake', spec: { low: 280, target: 330, high: 300 } }] },
    ],
    [
      'thou for µm',
      'adjusters.0.spec.target',
      /13 thou, that is 0\.33 mm, in a file 330 µm/,
      { adjusters: [{ kind: 'intake', spec: { low: 11, target: 13, high: 15 } }] },
    ],
    [
      'mm for µm',
      'adjusters.0.spec.low',
      /0.30 mm is 300/,
      { adjusters: [{ kind: 'intake', spec: { low: 0.28, target: 0.33, high: 0.38 } }] },
    ],
    [
      'a figure ten times off',
      'adjusters.0.spec.low',
      /decimal point/,
      { adjusters: [{ kind: 'intake', spec: { low: 3300, target: 3300, high: 3300 } }] },
    ],
    [
      'hundredths for mm',
      'adjusters.0.spec.target',
      /^58\.00 mm \(2,283\.5 thou\) is far more .* Check the decimal point: 0\.58 mm \(23 thou\)\?$/,
      { adjusters: [{ kind: 'exhaust', spec: { low: 58_000, target: 58_000, high: 58_000 } }] },
    ],
    ['a mark at 400°', 'marks.0.at', /40° of the next turn/, { marks: [{ name: 'I', at: 400 }] }],
    [
      'two marks of one name',
      'marks.1.name',
      /two marks/,
      {
        marks: [
          { name: 'I', at: 0 },
          { name: 'I', at: 90 },
        ],
      },
    ],
    [
      'a chart naming a cylinder that is not there',
      'chart.0.set.0',
      /no cylinder 7/,
      { chart: [{ at: 0, set: ['intake.7'] }] },
    ],
    [
      'a chart stopping at an unknown mark',
      'chart.0.mark',
      /does not list/,
      { chart: [{ mark: 'X', turn: 1, set: [] }] },
    ],
    [
      'an injector without its place',
      'adjusters.0.setAt',
      /from the manual/,
      { adjusters: [{ kind: 'injector', measure: 'height' }] },
    ],
    [
      'a kind listed twice',
      'adjusters.1.kind',
      /perCylinder/,
      { adjusters: [{ kind: 'intake' }, { kind: 'intake' }] },
    ],
    [
      'a lobe that closes before it opens',
      'lobes.intake.closes',
      /Count on past/,
      { lobes: { intake: { opens: 345, closes: 200 } } },
    ],
    ['a cycle of three', 'cycle', /2 strokes/, { cycle: 3 }],
    ['no adjusters', 'adjusters', /at least one/, { adjusters: [] }],
  ])('names %s', (_, path, message, change) => {
    const issues = issuesOf({ ...inlineSix(), ...change });
    expect(issues.map((issue) => issue.path)).toContain(path);
    expect(issues.find((issue) => issue.path === path)?.message).toMatch(message);
  });

  it('has an answer for what is no sheet at all', () => {
    for (const json of [null, 5, 'x', [], {}]) expect(issuesOf(json).length).toBeGreaterThan(0);
  });
});
