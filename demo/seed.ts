import { house as openHouse } from '../src/runtime/house';
import { fillDemo } from './fill';

const house = await openHouse();
await fillDemo(house);
await house.db.close();
