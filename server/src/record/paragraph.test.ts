import PdfDocument from 'pdfkit';
import { heightOf, write } from './paragraph';
import type { Pdf } from './pdf';

type Drawn = { text: string; x: number; y: number; end: number };

/** What is drawn, in the order of drawing, with where it ends. */
function drawing(): { pdf: Pdf; drawn: Drawn[] } {
  const pdf = new PdfDocument({ size: 'A4', margin: 42 });
  const drawn: Drawn[] = [];
  const text = pdf.text.bind(pdf);
  pdf.text = (said: string, x?: unknown, y?: unknown, options?: object) => {
    if (typeof x !== 'number' || typeof y !== 'number') throw new Error('Drawn nowhere');
    drawn.push({ text: said, x, y, end: x + pdf.widthOfString(said, options) });
    return text(said, x, y, options);
  };
  return { pdf, drawn };
}

const PLAIN = { size: 10, colour: '#000000' };
const WIDTH = 200;

/** The texts of each line, from left to right. */
function linesOf(drawn: readonly Drawn[]): string[] {
  const lines = new Map<number, Drawn[]>();
  for (const each of drawn) lines.set(each.y, [...(lines.get(each.y) ?? []), each]);
  return [...lines.values()].map((line) =>
    line
      .toSorted((a, b) => a.x - b.x)
      .map(({ text }) => text)
      .join(''),
  );
}

const NOTES = [
  'The gasket was torn at the rear, and a new one is on its way to the works by boat',
  'Łukasz said it: Ωμέγα, Щука, Đặng Thị Hoà, and then nothing more for a whole long line',
  'x'.repeat(200),
  '张伟和陈静一起检查了发动机的每一个气门间隙并且记录了所有的读数以便下一次检查时使用',
  'सुबह इंजन ठंडा था और सब वाल्व की जाँच की गई, फिर ढक्कन लगाया गया',
];

describe('a paragraph on paper', () => {
  it.each(NOTES)('is broken within its width, and nothing of it is lost: %s', (note) => {
    const { pdf, drawn } = drawing();
    write(pdf, note, PLAIN, { x: 50, width: WIDTH });
    for (const { end } of drawn) expect(end).toBeLessThanOrEqual(50 + WIDTH + 0.01);
    const lines = linesOf(drawn);
    expect(lines.length).toBeGreaterThan(1);
    const bare = (text: string) => text.normalize('NFC').replace(/ /g, '');
    expect(bare(lines.join(''))).toBe(bare(note));
    expect(heightOf(pdf, note, PLAIN, WIDTH)).toBeCloseTo(pdf.y - 42 + 0, 6);
  });

  it('reads from right to left what is written so, with its figures from left to right', () => {
    const inOrder = (said: string, ...seen: string[]) => {
      const { pdf, drawn } = drawing();
      write(pdf, said, PLAIN);
      const places = seen.map((text) => drawn.find((each) => each.text.includes(text))!.x);
      expect(places).toEqual(places.toSorted((a, b) => a - b));
    };
    inOrder('by דוד כהן here', 'by', 'כהן', 'דוד', 'here');
    inOrder('بعد 12 يوم', 'يوم', '12', 'بعد');
  });

  it('sets a word of each living script in one face', () => {
    const names =
      'Հայկ თამარ தமிழ் বাংলা ગુજરાતી ਹਰਪ੍ਰੀਤ తెలుగు ಕನ್ನಡ മലയാളം සිංහල ខ្មែរ ລາວ မြန်မာ ሀብታሙ สมชาย 김민준 ひらがな';
    for (const name of names.split(' ')) {
      const { pdf, drawn } = drawing();
      write(pdf, name, PLAIN, { oneLine: true });
      // One face has the whole name, and the shaper takes it as one word.
      expect(drawn.map(({ text }) => text)).toEqual([name]);
    }
  });

  it('keeps a range of figures on one line', () => {
    const { pdf, drawn } = drawing();
    write(pdf, '0.36–0.38 mm; again 0.36–0.38 mm', PLAIN, { width: 110 });
    expect(linesOf(drawn).map((line) => line.trim())).toEqual([
      '0.36–0.38 mm; again',
      '0.36–0.38 mm',
    ]);
  });

  it('goes on on a new page where this one ends', () => {
    const { pdf } = drawing();
    pdf.y = pdf.page.height - 60;
    const first = pdf.page;
    write(pdf, NOTES[0]!, PLAIN, { width: 100 });
    expect(pdf.page).not.toBe(first);
    expect(pdf.y).toBeLessThan(200);
  });
});
