// What a property is tried with is the same in each run, so that a run can be repeated and none ends
// otherwise by chance. The soak tries something else each time: what it finds becomes an example.
const fastCheck = require('./node_modules/fast-check/lib/cjs/fast-check.js');

if (process.env.LONGBAR_TRIED !== 'soak') fastCheck.configureGlobal({ seed: 1 });
module.exports = fastCheck;
