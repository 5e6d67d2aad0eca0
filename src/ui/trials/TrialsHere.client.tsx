'use client';
import { FlaskConical } from 'lucide-react';
import Link from 'next/link';
import { armLine, byNumber, TRIAL_KIND_WORDS } from '../../formats/messages/trial';
import { batchName, messageContextOf } from '../../formats/messages/names';
import { tagOf } from '../../formats/messages/rack';
import { useEventDocument } from '../document/EventDocument.client';
import { useUnits } from '../kit/UnitsProvider';

/** Trials that this event's meat is part of: which piece gets which way. Folded where room is scarce. */
export function TrialsHere({ folded = false }: { folded?: boolean }) {
  const { input, facts } = useEventDocument();
  const words = messageContextOf(input, useUnits());
  const trials = (facts.trials ?? []).filter(({ batchId }) => input.event.batches.some((batch) => batch.id === batchId));
  if (trials.length === 0) return null;
  const lines = trials.map(({ id, name, kind, arms, batchId, pieces }) => {
    const tags = (arm: number) =>
      byNumber(pieces.flatMap((piece) => (piece.arm === arm ? [tagOf(words, { batchId, pieceId: piece.pieceId })] : [])));
    return (
      <li key={id}>
        <Link href={`/log/trials/${id}`} className="font-semibold underline">
          {name}
        </Link>
        <span className="text-soft">
          , {batchName(words, batchId).toLowerCase()}, {TRIAL_KIND_WORDS[kind]}
        </span>
        : {armLine(arms[0], tags(0))}; {armLine(arms[1], tags(1))}.
      </li>
    );
  });
  if (folded)
    return (
      <details className="border-b border-line bg-sheet px-4 py-1 text-[0.92rem] print:hidden">
        <summary className="cursor-pointer">
          <FlaskConical size={15} aria-hidden className="mr-1 inline" />
          {trials.length === 1 ? 'A trial' : `${trials.length} trials`}: <span className="text-soft">{trials[0]!.name}</span>
        </summary>
        <ul className="pt-1 pl-5">{lines}</ul>
      </details>
    );
  return (
    <section
      aria-label="Trials"
      className="mb-4 flex gap-2 rounded-md border border-line bg-sheet px-4 py-2 text-[0.94rem] print:mb-1 print:border-0 print:px-0 print:py-0 print:text-[0.8rem]"
    >
      <FlaskConical size={17} aria-hidden className="mt-0.5 shrink-0" />
      <ul>{lines}</ul>
    </section>
  );
}
