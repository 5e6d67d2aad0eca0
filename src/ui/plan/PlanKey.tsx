import { WordsHere } from '../kit/WordsHere';
import { PhaseKey } from './patterns';

/** Below the timeline: what its patterns stand for, and what its words mean. */
export function PlanKey() {
  return (
    <>
      <PhaseKey />
      <WordsHere ids={['sure', 'median', 'setPoint', 'stall', 'bark', 'wrap', 'vent', 'rest', 'hold', 'carryOver']} />
    </>
  );
}
