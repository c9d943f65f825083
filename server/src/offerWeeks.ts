import { findWeeks } from './weeks/findWeeks';

/*
 * Looks for the weeks of least cost in a process of its own, since no plan is worth that the server
 * stands still: told what is to be planned, it tells what it found, and ends.
 */
process.on('disconnect', () => process.exit(0));
process.once('message', (text) => {
  void findWeeks(JSON.parse(String(text))).then((found) => {
    process.send?.(JSON.stringify(found), undefined, undefined, () => process.exit(0));
  });
});
