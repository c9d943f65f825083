import bidiFactory from 'bidi-js';
import type { Face } from './typefaces';
import { faceOf } from './typefaces';

const bidi = bidiFactory();

/** Words of one weight; a paragraph is one or several of them. */
export type Piece = { text: string; strong?: boolean };

/** Characters of one face, weight and direction. */
export type Run = { text: string; file: string; backwards: boolean };

/** A paragraph whose characters have their faces, weights and directions. */
type Prepared = {
  text: string;
  faces: Face[];
  strong: boolean[];
  embedding: ReturnType<typeof bidi.getEmbeddingLevels>;
};

/** Gives each character of a paragraph its face, its weight and its direction. */
export function prepare(said: string | Piece[], allStrong = false): Prepared {
  const pieces = typeof said === 'string' ? [{ text: said }] : said;
  const faces: Face[] = [];
  const strong: boolean[] = [];
  let text = '';
  for (const piece of pieces) {
    // What is composed needs no second face for its accent; what cannot be seen is a blank.
    const clean = piece.text.normalize('NFC').replace(/(?!\n)\p{Cc}/gu, ' ');
    for (const character of clean) {
      const face = faceOf(character, faces.at(-1) ?? null);
      for (let i = 0; i < character.length; i++) {
        faces.push(face);
        strong.push(allStrong || piece.strong === true);
      }
    }
    text += clean;
  }
  return { text, faces, strong, embedding: bidi.getEmbeddingLevels(text, 'ltr') };
}

/** The runs of a stretch of a paragraph, in the order in which they are seen. */
export function runsOf(whole: Prepared, from: number, to: number): Run[] {
  if (to <= from) return [];
  const { text, faces, strong } = whole;
  const { levels } = whole.embedding;
  const mirrored = bidi.getMirroredCharactersMap(text, levels, from, to - 1);
  const order = seenOrder(whole, from, to);
  const together = (a: number, b: number) =>
    faces[a] === faces[b] &&
    strong[a] === strong[b] &&
    levels[a] === levels[b] &&
    b - a === (isBackwards(levels[a]) ? -1 : 1);
  const groups: number[][] = [];
  for (const at of order) {
    const group = groups.at(-1);
    const last = group?.at(-1);
    if (group && last !== undefined && together(last, at)) group.push(at);
    else groups.push([at]);
  }
  return groups.flatMap((group) => {
    const [first = 0] = group;
    const backwards = isBackwards(levels[first]);
    const logical = [...group].sort((a, b) => a - b).map((at) => mirrored.get(at) ?? text[at]);
    const face = faces[first];
    if (!face) return [];
    const file = strong[first] ? face.strong : face.plain;
    return pieces(logical.join(''), backwards).map((each) => ({ text: each, file, backwards }));
  });
}

/** The places of a stretch as they are seen from left to right. */
function seenOrder({ text, embedding }: Prepared, from: number, to: number): number[] {
  const order = Array.from({ length: to - from }, (_, i) => from + i);
  for (const [start = 0, end = 0] of bidi.getReorderSegments(text, embedding, from, to - 1)) {
    const turned = order.slice(start - from, end + 1 - from).reverse();
    order.splice(start - from, turned.length, ...turned);
  }
  return order;
}

const isBackwards = (level = 0) => level % 2 === 1;
const READ_FROM_THE_RIGHT = new Set(['R', 'AL', 'AN']);

/**
 * A run as the font's shaper takes it. It turns what is of a script that is read from the right
 * by itself, and nothing else: signs in such a run are turned here, figures in others parted.
 */
function pieces(text: string, backwards: boolean): string[] {
  const characters = [...text];
  const turns = characters.some((c) => READ_FROM_THE_RIGHT.has(bidi.getBidiCharTypeName(c)));
  if (backwards) return [turns ? text : characters.reverse().join('')];
  return turns ? characters : [text];
}
