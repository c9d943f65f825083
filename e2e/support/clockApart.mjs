// Imported before all else, it gives a process a clock of its own, up to two hours off by its number:
// as processes on several machines have whose clocks nobody sets.
const AN_HOUR = 3_600_000;
const apart = ((process.pid % 5) - 2) * AN_HOUR;
const True = Date;

globalThis.Date = class Date extends True {
  constructor(...args) {
    if (args.length === 0) super(True.now() + apart);
    else super(...args);
  }

  static now() {
    return True.now() + apart;
  }
};
