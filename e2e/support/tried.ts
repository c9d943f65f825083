/**
 * How thoroughly this run tries: `npm test` one of each kind, the whole run all there is, and the
 * soak for long. What only the others try has `@more` in its title: one more of a kind that another
 * test shows already, or a long one.
 */
export const TRIED = howThoroughly(process.env.LONGBAR_TRIED);

function howThoroughly(said: string | undefined): 'some' | 'whole' | 'soak' {
  return said === 'whole' || said === 'soak' ? said : 'some';
}
