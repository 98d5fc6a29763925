import pino from 'pino';

/** One JSON object a line on standard output; PYRETHOS_LOG sets the level. */
export const log = pino({
  name: 'pyrethos',
  level: process.env.PYRETHOS_LOG ?? 'info',
  timestamp: pino.stdTimeFunctions.isoTime
});
