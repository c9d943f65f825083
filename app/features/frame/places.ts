import type { IconName } from '../../ui/Icon';

/** The places of the application that there are; each has a tab. */
export const PLACES: readonly {
  path: '/' | '/sheets' | '/bench' | '/shop';
  title: string;
  icon: IconName;
}[] = [
  { path: '/', title: 'Yard', icon: 'yard' },
  { path: '/sheets', title: 'Sheets', icon: 'sheets' },
  { path: '/bench', title: 'Bench', icon: 'bench' },
  { path: '/shop', title: 'Shop', icon: 'shop' },
];
