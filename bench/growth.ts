import { writeFileSync } from 'node:fs';
import type { Measured } from './clients';
import { quantile } from './line';

const [WIDTH, HEIGHT] = [360, 260];
const MARGIN = { left: 56, top: 44, right: 20, bottom: 44 };

type Panel = { title: string; beside: number; series: readonly Series[] };
type Series = { name: string; colour: string; points: readonly (readonly [number, number])[] };

/** Draws how the answers and the appends of several shops grow with them, beside one shop on a file. */
export function drawGrowth(path: string, file: Measured, grown: readonly Measured[]): void {
  const p95 = (answers: Measured['answers'], page: string) => quantile(answers[page] ?? [], 0.95);
  const pages = Object.keys(file.answers);
  const colours = ['#0b6e6e', '#a14b00', '#5b3fa0'];
  const panels: Panel[] = [
    {
      title: '95th percentile, ms; dashed: the slowest page of one shop on a file',
      beside: Math.max(...pages.map((page) => p95(file.answers, page))),
      series: pages.map((page, i) => ({
        name: page,
        colour: colours[i] ?? '#000',
        points: grown.map(({ shops, answers }) => [shops, p95(answers, page)] as const),
      })),
    },
    {
      title: 'Taps kept a second; dashed: eight phones on a file',
      beside: file.appends,
      series: [
        {
          name: 'eight phones a shop',
          colour: '#0b6e6e',
          points: grown.map(({ shops, appends }) => [shops, appends] as const),
        },
      ],
    },
  ];
  const drawn = panels.map(
    (panel, i) => `<g transform="translate(${i * WIDTH} 0)">${draw(panel)}</g>`,
  );
  writeFileSync(
    path,
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH * panels.length} ${HEIGHT}" font-family="sans-serif" font-size="11">
<rect width="100%" height="100%" fill="#fff"/>
${drawn.join('\n')}
</svg>
`,
  );
}

/** One chart: shops from left to right, from nothing upwards. */
function draw({ title, beside, series }: Panel): string {
  const points = series.flatMap((each) => each.points);
  const [mostShops, most] = [
    Math.max(...points.map(([shops]) => shops)),
    roundUp(Math.max(beside, ...points.map(([, figure]) => figure))),
  ];
  const bottom = HEIGHT - MARGIN.bottom;
  const right = WIDTH - MARGIN.right;
  const x = (shops: number) => MARGIN.left + (shops / mostShops) * (right - MARGIN.left);
  const y = (figure: number) => bottom - (figure / most) * (bottom - MARGIN.top);
  const at = (n: number) => n.toFixed(1);
  const line = (colour: string, d: string, dash = '') =>
    `<path d="${d}" fill="none" stroke="${colour}" stroke-width="1.5"${dash}/>`;
  const text = (left: number, top: number, said: string, how = '') =>
    `<text x="${at(left)}" y="${at(top)}" fill="#222" ${how}>${said}</text>`;
  const ticks = [0, 0.5, 1].map((part) =>
    text(MARGIN.left - 6, y(part * most) + 4, String(part * most), 'text-anchor="end"'),
  );
  const shopsTold = [...new Set(points.map(([shops]) => shops))].map((shops) =>
    text(x(shops), bottom + 16, String(shops), 'text-anchor="middle"'),
  );
  const drawn = series.map(({ name, colour, points: own }, i) => {
    const d = own.map(([shops, figure], k) => `${k ? 'L' : 'M'}${at(x(shops))} ${at(y(figure))}`);
    const key = `<rect x="${MARGIN.left + i * 104}" y="26" width="8" height="8" fill="${colour}"/>`;
    return `${line(colour, d.join(''))}${key}${text(MARGIN.left + i * 104 + 12, 34, name, 'font-size="10"')}`;
  });
  return [
    text(MARGIN.left, 16, title, 'font-size="10"'),
    line('#888', `M${MARGIN.left} ${MARGIN.top}V${bottom}H${right}`),
    line('#444', `M${MARGIN.left} ${at(y(beside))}H${right}`, ' stroke-dasharray="5 4"'),
    ...ticks,
    ...shopsTold,
    text((MARGIN.left + right) / 2, bottom + 34, 'shops of 500 machines', 'text-anchor="middle"'),
    ...drawn,
  ].join('\n');
}

/** The next round figure above: 1, 2 or 5 and noughts. */
function roundUp(figure: number): number {
  const tens = 10 ** Math.floor(Math.log10(figure));
  return [1, 2, 5, 10].map((each) => each * tens).find((each) => each >= figure) ?? figure;
}
