/**
 * From here on it is so many milliseconds later for whoever asks; timers go on as they are. It stands
 * by itself, so that a page can be given it before its scripts.
 *
 * @param {number} later
 */
export function shiftDate(later) {
  const True = Date;
  globalThis.Date = class Date extends True {
    /** @param {[]} args */
    constructor(...args) {
      if (args.length === 0) super(True.now() + later);
      else super(...args);
    }

    static now() {
      return True.now() + later;
    }
  };
}
