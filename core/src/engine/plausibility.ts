import type { Issue } from '../issue';
import { formatLength, formatThou, fromThou } from '../units';
import { adjustersOf } from './adjusters';
import { cycleDegrees } from './firing';
import { KINDS } from './kinds';
import type { EngineSheet, Spec } from './sheet';

/** Lash beyond these is not a lash in µm: thou, or mm, were typed. */
const LEAST_LASH = 50;
const MOST_LASH = 3000;
/** A lash limit is rarely this many times its target: a digit was lost or doubled. */
const TEN_OFF = 8;

/** What is wrong with a sheet whose shape is right, each with a way out. */
export function implausibilities(sheet: EngineSheet): Issue[] {
  return [
    ...firingIssues(sheet),
    ...layoutIssues(sheet),
    ...lobeIssues(sheet),
    ...adjusterIssues(sheet),
    ...markIssues(sheet),
    ...isolationIssues(sheet),
    ...chartIssues(sheet),
  ];
}

function firingIssues({ cycle, firing }: EngineSheet): Issue[] {
  const issues: Issue[] = [];
  firing.order.forEach((cylinder, i) => {
    const first = firing.order.indexOf(cylinder);
    if (first < i) {
      const message = `Cylinder ${cylinder} fires twice: it already stands in place ${first + 1}. Name each cylinder once.`;
      issues.push({ path: `firing.order.${i}`, message });
    }
  });
  const { gaps } = firing;
  if (!gaps) return issues;
  const whole = cycleDegrees({ cycle });
  if (gaps.length !== firing.order.length) {
    const message = `There are ${gaps.length} gaps for ${firing.order.length} cylinders. Give one gap after each cylinder, the last leading back to the first.`;
    issues.push({ path: 'firing.gaps', message });
    return issues;
  }
  gaps.forEach((gap, i) => {
    if (gap < 0) issues.push({ path: `firing.gaps.${i}`, message: 'A gap is not negative.' });
  });
  const sum = gaps.reduce((a, b) => a + b, 0);
  if (Math.abs(sum - whole) > 1e-6) {
    const message = `The gaps add up to ${sum}°, but one cycle of a ${cycle === 2 ? 'two' : 'four'}-stroke is ${whole}°. Correct one gap, or leave gaps out if the engine fires evenly.`;
    issues.push({ path: 'firing.gaps', message });
  }
  return issues;
}

function layoutIssues({ layout, firing }: EngineSheet): Issue[] {
  if (!layout) return [];
  const issues: Issue[] = [];
  const seated = new Map<number, string>();
  layout.banks.forEach((bank, b) => {
    bank.cylinders.forEach((cylinder, i) => {
      const path = `layout.banks.${b}.cylinders.${i}`;
      if (seated.has(cylinder)) {
        const message = `Cylinder ${cylinder} stands in the layout twice. Name each cylinder once.`;
        issues.push({ path, message });
      } else if (!firing.order.includes(cylinder)) {
        const message = `Cylinder ${cylinder} is in the layout but missing from the firing order. Add it to the order or take it out here.`;
        issues.push({ path, message });
      }
      seated.set(cylinder, path);
    });
    if (bank.valves && bank.valves.length !== bank.cylinders.length) {
      const message = `Valves are spelled for ${bank.valves.length} cylinders, but the bank has ${bank.cylinders.length}. Spell one group, such as "EI", for each cylinder.`;
      issues.push({ path: `layout.banks.${b}.valves`, message });
    }
  });
  firing.order.forEach((cylinder, i) => {
    if (seated.has(cylinder)) return;
    const message = `Cylinder ${cylinder} fires but has no place in the layout. Add it to a bank, or correct the order.`;
    issues.push({ path: `firing.order.${i}`, message });
  });
  return issues;
}

function lobeIssues({ lobes, cycle }: EngineSheet): Issue[] {
  const whole = cycleDegrees({ cycle });
  return (['intake', 'exhaust', 'injector', 'brake'] as const).flatMap((kind): Issue[] => {
    const lobe = lobes?.[kind];
    if (!lobe) return [];
    const path = `lobes.${kind}.closes`;
    if (lobe.closes <= lobe.opens) {
      const message = `The ${kind} lobe closes at ${lobe.closes}° but opens at ${lobe.opens}°. Count on past ${whole}° where it runs through firing TDC.`;
      return [{ path, message }];
    }
    if (lobe.closes - lobe.opens < whole) return [];
    const message = `The ${kind} lobe is ${lobe.closes - lobe.opens}° long, a whole cycle or more, and leaves no base circle. Check both ends.`;
    return [{ path, message }];
  });
}

function adjusterIssues(sheet: EngineSheet): Issue[] {
  const issues: Issue[] = [];
  sheet.adjusters.forEach((adjuster, i) => {
    const path = `adjusters.${i}`;
    const { kind, measure = 'lash', spec } = adjuster;
    const same = sheet.adjusters.findIndex((other) => other.kind === kind);
    if (same < i) {
      const message = `${kind} is listed twice. Use perCylinder for several ${kind} adjusters on a cylinder.`;
      issues.push({ path: `${path}.kind`, message });
    }
    if (!adjuster.setAt && KINDS[kind].place === undefined) {
      const message = `Say where the ${kind} is set, from the manual: on base circle, at a lobe's peak, or in a window of degrees.`;
      issues.push({ path: `${path}.setAt`, message });
    }
    if (spec) issues.push(...specIssues(spec, measure, `${path}.spec`));
  });
  return issues;
}

function specIssues(spec: Spec, measure: string, path: string): Issue[] {
  const figure = (value: number) =>
    measure === 'preload' ? `${value / 1000} N·m` : shownLength(value);
  const issues: Issue[] = [];
  if (spec.low > spec.target) {
    const message = `The low limit, ${figure(spec.low)}, is above the target, ${figure(spec.target)}. The low limit is the smaller.`;
    issues.push({ path: `${path}.low`, message });
  }
  if (spec.high < spec.target) {
    const message = `The high limit, ${figure(spec.high)}, is below the target, ${figure(spec.target)}. The high limit is the larger.`;
    issues.push({ path: `${path}.high`, message });
  }
  return measure === 'lash' ? [...issues, ...lashIssues(spec, path)] : issues;
}

/** Who filled in a form typed mm or thou, who wrote a file µm: all can be told from it. */
function shownLength(value: number): string {
  return `${formatLength(value)} (${formatThou(value)} thou)`;
}

function lashIssues(spec: Spec, path: string): Issue[] {
  return (['low', 'target', 'high'] as const).flatMap((limit): Issue[] => {
    const message = lashFault(spec[limit], spec.target);
    return message === undefined ? [] : [{ path: `${path}.${limit}`, message }];
  });
}

function lashFault(value: number, target: number): string | undefined {
  if (value < 1) {
    return `${value / 1000} mm is no lash. In a file lengths are whole µm: 0.30 mm is 300.`;
  }
  if (value < LEAST_LASH) {
    const meant = fromThou(value);
    return `${value / 1000} mm is no lash. If it is ${value} thou, that is ${formatLength(meant)}, in a file ${meant} µm.`;
  }
  if (value > MOST_LASH) {
    const meant = [100, 10, 1000].map((off) => value / off).find(isLash);
    const way = meant === undefined ? '.' : `: ${shownLength(meant)}?`;
    return `${shownLength(value)} is far more than a lash. Check the decimal point${way}`;
  }
  if (value > target * TEN_OFF || value * TEN_OFF < target) {
    return `${shownLength(value)} lies far from the target, ${shownLength(target)}. Check for a lost or doubled digit.`;
  }
  return undefined;
}

function isLash(value: number): boolean {
  return value >= LEAST_LASH && value <= MOST_LASH;
}

function markIssues({ marks = [] }: EngineSheet): Issue[] {
  return marks.flatMap(({ name, at }, i): Issue[] => {
    const issues: Issue[] = [];
    if (at < 0 || at >= 360) {
      const message = `Mark ${name} at ${at}°: a mark is met once every turn, so it stands from 0° to 359°. ${at >= 360 ? `${at}° is ${at % 360}° of the next turn.` : ''}`;
      issues.push({ path: `marks.${i}.at`, message: message.trim() });
    }
    if (marks.findIndex((other) => other.name === name) < i) {
      const message = `There are two marks “${name}”. Give each its own name.`;
      issues.push({ path: `marks.${i}.name`, message });
    }
    return issues;
  });
}

function isolationIssues({ isolations = [] }: EngineSheet): Issue[] {
  return isolations.flatMap(({ id }, i): Issue[] =>
    isolations.findIndex((other) => other.id === id) < i
      ? [
          {
            path: `isolations.${i}.id`,
            message: `The id “${id}” is used twice. Each isolation has its own.`,
          },
        ]
      : [],
  );
}

function chartIssues(sheet: EngineSheet): Issue[] {
  const known = new Set(adjustersOf(sheet).map(({ id }) => id));
  return (sheet.chart ?? []).flatMap((stop, s) => {
    const issues: Issue[] = [];
    if ('cylinder' in stop && !sheet.firing.order.includes(Number(stop.cylinder))) {
      const message = `The chart stops at cylinder ${String(stop.cylinder)}, which this engine does not have.`;
      issues.push({ path: `chart.${s}.cylinder`, message });
    }
    if ('mark' in stop && !sheet.marks?.some(({ name }) => name === stop.mark)) {
      const message = `The chart stops at mark ${String(stop.mark)}, which the sheet does not list. Add the mark or name another.`;
      issues.push({ path: `chart.${s}.mark`, message });
    }
    stop.set.forEach((id, i) => {
      if (known.has(id)) return;
      const cylinder = /\.(\d+)/.exec(id)?.[1];
      const message =
        cylinder && !sheet.firing.order.includes(Number(cylinder))
          ? `The chart sets ${id}, but there is no cylinder ${cylinder} on this engine.`
          : `The chart sets ${id}, but the sheet lists no such adjuster. Ids read kind.cylinder, for example exhaust.3.`;
      issues.push({ path: `chart.${s}.set.${i}`, message });
    });
    return issues;
  });
}
