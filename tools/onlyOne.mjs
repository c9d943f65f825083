// What no two processes may do at once, as installing and building: each would take the files away
// under the other, and one of them would note that all is there.
import { mkdirSync, readFileSync, readlinkSync, rmSync, symlinkSync } from 'node:fs';
import { dirname } from 'node:path';

/** So long between two looks whether the other has done, ms. */
const LOOK_EVERY = 250;

/**
 * Does `work` while no other process does anything under the same mark; another is waited for, and
 * that is said. A mark that a killed process left is no obstacle.
 *
 * @param {string} mark where it is noted who is at it
 * @param {() => void} work
 */
export function onlyOne(mark, work) {
  mkdirSync(dirname(mark), { recursive: true });
  for (let looks = 0; !isTaken(mark); looks++) {
    if (looks === 1) console.log('Another process installs or builds here. It is waited for …');
    Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, LOOK_EVERY);
  }
  const leave = () => rmSync(mark, { force: true });
  // A command that fails ends the whole process.
  process.once('exit', leave);
  try {
    work();
  } finally {
    process.off('exit', leave);
    leave();
  }
}

/** Takes the mark, unless another process has it: a link is there whole or not at all. */
function isTaken(mark) {
  try {
    symlinkSync(whoIs(process.pid), mark);
    return true;
  } catch (error) {
    if (!(error instanceof Error && 'code' in error && error.code === 'EEXIST')) throw error;
  }
  if (!isAtIt(mark)) rmSync(mark, { force: true });
  return false;
}

function isAtIt(mark) {
  try {
    const noted = readlinkSync(mark);
    return whoIs(Number(noted.split(' ')[0])) === noted;
  } catch {
    // It was left between two looks, or its process is no more.
    return false;
  }
}

/** A process by its number and when it began: numbers are used again. Throws where it is no more. */
function whoIs(pid) {
  const [, began = ''] = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ');
  return `${pid} ${began.split(' ')[19]}`;
}
