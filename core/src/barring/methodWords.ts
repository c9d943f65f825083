import type { BarringMethod } from './methods';

/** The methods as people name them. */
export const METHOD_TITLES: Record<BarringMethod, string> = {
  'two-position': 'Two positions',
  each: 'Each cylinder',
  mate: 'By the mate',
  watch: 'Watch a valve',
  fewest: 'Fewest stops',
  manual: 'Manual’s chart',
};

/** What each method is, in a sentence. */
export const METHOD_WORDS: Record<BarringMethod, string> = {
  'two-position': 'Half at cylinder 1’s firing TDC, the rest one full turn on.',
  each: 'One cylinder after the other in firing order, at its own firing TDC.',
  mate: 'When a cylinder rocks at overlap, set the one paired with it.',
  watch: 'When one valve is fully down, set the one it keeps deep on base circle.',
  fewest: 'The least stops there can be, with the largest smallest margin.',
  manual: 'As the manual’s page has it, held against the model. The manual stands.',
};
