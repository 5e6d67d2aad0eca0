export { boxLossWPerK } from './boxLoss';
export { checkProbe } from './probeCheck';
