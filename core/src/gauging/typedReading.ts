import { fromThou } from '../units';
import type { BladeSet } from './blades';
import { plainBlades, readingFromDrag } from './blades';
import type { Reading } from './reading';

/**
 * A reading as a person types it, in the unit of the set in hand: "0.30 0.35" for what enters
 * and what does not, "0.30" for drag on one blade, "0.30+" for enters and "<0.30" for does
 * not. The problem in words where it cannot be read.
 */
export function readingFromTyped(
  text: string,
  set: BladeSet,
): { reading: Reading } | { problem: string } {
  const toMicrometres = (figure: number) =>
    set.unit === 'mm' ? Math.round(figure * 1000) : fromThou(figure);
  const plain = text.trim().replaceAll(',', '.');
  const figures = (plain.match(/\d+(\.\d+)?|\.\d+/g) ?? []).map((word) =>
    toMicrometres(Number(word)),
  );
  const [first, second] = figures;
  if (first === undefined || figures.length > 2 || !/^[<>\d.\s+–-]+$/.test(plain)) {
    return { problem: `Type what enters and what does not, as ${EXAMPLES[set.unit]}.` };
  }
  if (second !== undefined) {
    if (first >= second) return { problem: 'What enters is thinner than what does not.' };
    return { reading: { go: first, noGo: second, how: 'go-no-go' } };
  }
  if (plain.startsWith('<')) return { reading: { go: 0, noGo: first, how: 'go-no-go' } };
  if (plain.endsWith('+') || plain.startsWith('>')) {
    return { reading: { go: first, noGo: null, how: 'go-no-go' } };
  }
  return { reading: readingFromDrag(plainBlades(set), first) };
}

const EXAMPLES = { mm: '0.30 0.35', inch: '12 14' } as const;
