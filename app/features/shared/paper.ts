export const PAPER_NAMES = ['a4', 'letter'] as const;
export type Paper = (typeof PAPER_NAMES)[number];

/** Width and height of a sheet of paper, mm. */
export const PAPERS: Record<Paper, { name: string; width: number; height: number }> = {
  a4: { name: 'A4', width: 210, height: 297 },
  letter: { name: 'Letter', width: 215.9, height: 279.4 },
};

/** Letter where it is used, A4 everywhere else. */
export function usualPaper(): Paper {
  return /-(US|CA|MX)$/.test(navigator.language) ? 'letter' : 'a4';
}

/** Width and height of a sheet of paper as it lies, mm. */
export function sizeOf(paper: Paper, landscape = false): { width: number; height: number } {
  const { width, height } = PAPERS[paper];
  return landscape ? { width: height, height: width } : { width, height };
}

/** CSS pixels of a length in mm: a browser prints 96 of them as one inch. */
export function pixels(mm: number): number {
  return (mm * 96) / 25.4;
}
