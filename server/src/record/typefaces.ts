import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';

/** Packages of fonts are found from the project's root, where every command of it runs. */
const packages = createRequire(join(process.cwd(), 'package.json'));

type Family = {
  name: string;
  /** What it is taken for; what else its ranges name it may not have, or not as well. */
  only?: RegExp;
  /** A family that has one weight only. */
  plain?: true;
};

/** The scripts that have a family of their own, which bears their name. */
const SCRIPTS = [
  'Arabic',
  'Armenian',
  'Bengali',
  'Ethiopic',
  'Georgian',
  'Gujarati',
  'Hebrew',
  'Kannada',
  'Khmer',
  'Lao',
  'Malayalam',
  'Myanmar',
  'Sinhala',
  'Tamil',
  'Telugu',
  'Thai',
];

/** In this order: the first that has a character writes it. The last one has all of Han. */
const FAMILIES: readonly Family[] = [
  { name: 'noto-sans' },
  ...SCRIPTS.map((script) => ({
    name: `noto-sans-${script.toLowerCase()}`,
    only: new RegExp(`\\p{scx=${script}}`, 'u'),
  })),
  { name: 'mukta-mahee', only: /\p{scx=Gurmukhi}/u },
  { name: 'gowun-dodum', only: /\p{scx=Hangul}/u, plain: true },
  { name: 'noto-sans-sc' },
];

/** The files of a family, by weight, that hold the glyphs of some ranges of characters. */
export type Face = { plain: string; strong: string };

type Subset = { face: Face; has: (character: string) => boolean };

let known: { subsets: readonly Subset[]; latin: Face } | null = null;

/** All families, read once when the first PDF is made. */
function families() {
  known ??= {
    subsets: FAMILIES.flatMap((family) => subsetsOf(family)),
    latin: faceIn({ name: 'noto-sans' }, 'latin'),
  };
  return known;
}

function subsetsOf(family: Family): Subset[] {
  const file = packages.resolve(`@fontsource/${family.name}/unicode.json`);
  const read: Record<string, string> = JSON.parse(readFileSync(file, 'utf8'));
  return Object.entries(read).map(([subset, ranges]) => ({
    face: faceIn(family, subset.replace(/[[\]]/g, '')),
    has: holder(ranges, family.only),
  }));
}

function faceIn({ name, plain }: Family, subset: string): Face {
  const folder = dirname(packages.resolve(`@fontsource/${name}/unicode.json`));
  const file = (weight: number) => join(folder, `files/${name}-${subset}-${weight}-normal.woff`);
  return { plain: file(400), strong: file(plain ? 400 : 700) };
}

/** Whether a character is in ranges like `U+0100-02BA,U+20AC`. */
function holder(written: string, only: RegExp | undefined): Subset['has'] {
  const ranges = written.split(',').map((part) => {
    const [from = '', to = from] = part.replace('U+', '').split('-');
    return { from: Number.parseInt(from, 16), to: Number.parseInt(to, 16) };
  });
  return (character) => {
    const point = character.codePointAt(0) ?? 0;
    if (!ranges.some(({ from, to }) => point >= from && point <= to)) return false;
    return !only || only.test(character);
  };
}

/**
 * The face that writes a character. One that also has the character stays with it, so that what
 * is shaped together stands in one face; a character that no face has is an empty box.
 */
export function faceOf(character: string, before: Face | null): Face {
  const { subsets, latin } = families();
  if (before && subsets.find(({ face }) => face === before)?.has(character)) return before;
  return subsets.find(({ has }) => has(character))?.face ?? latin;
}
