'use client';
import { FlaskConical } from 'lucide-react';
import Link from 'next/link';
import { lotOf } from '../../core/learn';
import { armLine, byNumber, TRIAL_KIND_WORDS, undrawnLine } from '../../formats/messages/trial';
import { batchName, messageContextOf } from '../../formats/messages/names';
import { tagOf } from '../../formats/messages/rack';
import { useEventDocument } from '../document/EventDocument.client';
import { ComesUp } from '../log/ComesUp';
import { useUnits } from '../kit/UnitsProvider';

/** Trials that this event's meat is part of: which piece gets which way. Folded where room is scarce. */
export function TrialsHere({ folded = false }: { folded?: boolean }) {
  const { input, facts } = useEventDocument();
  const words = messageContextOf(input, useUnits());
  const trials = (facts.trials ?? []).filter(({ batchId }) => input.event.batches.some((batch) => batch.id === batchId));
  if (trials.length === 0) return null;
  const lines = trials.map(({ id, name, kind, arms, batchId, pieces }) => {
    const lot = lotOf({ pieces }, input.event.batches.find((batch) => batch.id === batchId)!.pieces);
    const tags = (ids: readonly string[]) => byNumber(ids.map((pieceId) => tagOf(words, { batchId, pieceId })));
    return (
      <li key={id}>
        <Link href={`/log/trials/${id}`} className="font-semibold underline">
          {name}
        </Link>
        <span className="text-soft">
          , {batchName(words, batchId).toLowerCase()}, {TRIAL_KIND_WORDS[kind]}
        </span>
        : {armLine(arms[0], tags(lot.arms[0]))}; {armLine(arms[1], tags(lot.arms[1]))}.{undrawnLine(tags(lot.undrawn))}
      </li>
    );
  });
  return (
    <ComesUp
      icon={FlaskConical}
      name="Trials"
      folded={folded}
      summary={
        <>
          {trials.length === 1 ? 'A trial' : `${trials.length} trials`}: <span className="text-soft">{trials[0]!.name}</span>
        </>
      }
    >
      <ul>{lines}</ul>
    </ComesUp>
  );
}
