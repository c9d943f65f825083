// What is let go is told at the level of debugging. Of a thousand tests that is fifteen thousand lines,
// among which nobody would see a warning.
console.debug = () => undefined;
