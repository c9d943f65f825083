/** Whether the soak runs, as Jest is set up. */
declare const SOAK: boolean;

/** How often what is tried at random is tried: each time, and where it is let run for long. */
export const times = (usual: number, long: number): number => (SOAK ? long : usual);
