import { tsImport } from 'tsx/esm/api';

/** A thread of the server's pool: the worker in TypeScript, as the commands run it. */
export const { plan, search, readEvent, readPlan, ready } = await tsImport('./planning.worker.ts', import.meta.url);
