import { context as openContext } from '../src/runtime/context';
import { fillDemo } from './fill';

const context = await openContext();
await fillDemo(context);
await context.db.close();
