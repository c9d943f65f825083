const FIGURE = /^[-−+]?(\d[\d.,’'\u00a0\u2009\u202f ]*|[.,]\d+)$/;

/**
 * A number as people type it, or as it is printed here: 0.33, 0,33, .013, 6,612.5, 6.612,5 or
 * 6 612. The last of two kinds of separator is the decimal one. A comma that stands alone is
 * the decimal one too, but where `groups` is true (hours) and three digits follow each comma.
 * Undefined where the text is no number.
 *
 * @example readNumber('0,33') // 0.33
 * @example readNumber('6,612', { groups: true }) // 6612
 */
export function readNumber(text: string, { groups = false } = {}): number | undefined {
  const typed = text.trim();
  if (!FIGURE.test(typed)) return undefined;
  const figure = Number(withPoint(typed.replace(/[^\d.,-]/g, ''), groups));
  if (!Number.isFinite(figure)) return undefined;
  return typed.startsWith('−') ? -figure : figure;
}

function withPoint(text: string, groups: boolean): string {
  const [comma, point] = [text.lastIndexOf(','), text.lastIndexOf('.')];
  if (comma < 0) return text;
  const grouped = groups && point < 0 && /^\d{1,3}(,\d{3})+$/.test(text);
  if (point > comma || grouped) return text.replaceAll(',', '');
  return text.replaceAll('.', '').replace(',', '.');
}
