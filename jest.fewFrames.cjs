// Sequelize writes out where each question came from, and Jest looks up every place of that in the
// sources: of a hundred places, as it has them, that was a seventh of the time.
Error.stackTraceLimit = 10;
