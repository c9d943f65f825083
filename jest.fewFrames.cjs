// Sequelize notes for each question where in the sources it came from, and Jest looks that up at
// once, place by place: a seventh of the time of whatever asks a database much. Such a note stays
// without its places; who else tells where it came from tells the nearest ten.
Error.stackTraceLimit = 10;
const told = Error.prepareStackTrace;
Error.prepareStackTrace = (error, frames) =>
  /[\\/]node_modules[\\/]sequelize[\\/]/.test(frames[0]?.getFileName() ?? '')
    ? String(error)
    : told(error, frames);
