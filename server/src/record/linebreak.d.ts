declare module 'linebreak' {
  /** Where a text may be broken into lines, and where it must be. */
  export default class LineBreaker {
    constructor(text: string);
    /** The next place, at the start of what follows it; null at the end. */
    nextBreak(): { position: number; required: boolean } | null;
  }
}
