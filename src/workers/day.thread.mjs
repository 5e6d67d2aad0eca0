import { tsImport } from 'tsx/esm/api';

/** The thread that forecasts days under way: the worker in TypeScript, as the commands run it. */
export const { forecast } = await tsImport('./day.worker.ts', import.meta.url);
