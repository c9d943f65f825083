/**
 * How thoroughly this run tries: all there is, one of each kind where it is to be short, or for long
 * in the soak. What a short run leaves out has `@more` in its title: one more of a kind that another
 * test shows already, or a long one.
 */
export const TRIED = howThoroughly(process.env.LONGBAR_TRIED);

function howThoroughly(said: string | undefined): 'short' | 'whole' | 'soak' {
  return said === 'short' || said === 'soak' ? said : 'whole';
}
