/** How often what is tried at random is tried: each time, and where it is let run for long. */
export const times = (usual: number, long: number): number =>
  process.env.LONGBAR_SOAK ? long : usual;
