export { driveMinOf, setUpMinOf } from './wayThere';
export { itinerary, type TravelProblem, type TravelServing } from './itinerary';
export { allTogether } from './allTogether';
export { BOARD_RIDE_MIN, Whereabouts } from './whereabouts';
export { covers, type Stay } from './stays';
