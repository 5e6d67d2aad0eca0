import { context as openContext } from '../src/runtime/context';
import { openOrStop } from '../src/runtime/start';
import { fillDemo } from './fill';

await openOrStop();
const context = await openContext();
await fillDemo(context);
await context.db.close();
