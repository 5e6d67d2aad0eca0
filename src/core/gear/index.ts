export { boxLossWPerK } from './boxLoss';
export { checkProbe, PROBE_TRUE_C } from './probeCheck';
