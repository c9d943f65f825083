import { start } from './main';

/** The server while developing: demo data, no built application beside it. */
await start({ demo: true });
