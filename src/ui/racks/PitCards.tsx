import { mapPieces, type MapPiece, type PlanInput } from '../../core/planning';
import type { Pit, Plan } from '../../core/model';
import { clockTime, dayAndTime } from '../../formats/clock';
import { batchName, rackName, standingWords, type MessageContext } from '../../formats/messages/names';
import { tagOf } from '../../formats/messages/rack';
import { formatMass } from '../../formats/units';
import { RackBoard } from './RackBoard.client';
import { fullestMs, isAt } from './shownRacks';

/** How wide the widest rack of a card is drawn. */
const CARD_PX = 620;

const nothing = () => {};

/** On paper: for each pit its racks at their fullest and a list of what lies where, then a tag for every piece. */
export function PitCards({ messageContext, input, plan }: { messageContext: MessageContext; input: PlanInput; plan: Plan }) {
  const cards = input.pits.map((pit) => ({ pit, pieces: mapPieces(input, plan, pit.id) })).filter(({ pieces }) => pieces.length > 0);
  const firsts = [...new Map(cards.flatMap(({ pieces }) => pieces).map((piece) => [piece.key, piece])).values()];
  return (
    <div className="hidden print:block">
      {cards.map(({ pit, pieces }) => (
        <PitCard key={pit.id} messageContext={messageContext} pit={pit} pieces={pieces} />
      ))}
      <h2 className="mb-2 text-xl">Piece tags</h2>
      <ul className="grid grid-cols-3 gap-2">
        {firsts.map((piece) => (
          <li key={piece.key} className="break-inside-avoid border border-dashed border-ink p-2">
            <p className="figures text-2xl font-bold">{tagOf(messageContext, piece.piece)}</p>
            <p>
              {batchName(messageContext, piece.piece.batchId)}, {formatMass(piece.kg, messageContext.units)}
            </p>
            <p className="figures text-[0.85rem]">
              on {clockTime(piece.run.onAtMs, messageContext.event.timeZone, messageContext.units.clock)}, expected{' '}
              {clockTime(piece.medianMs, messageContext.event.timeZone, messageContext.units.clock)}
            </p>
          </li>
        ))}
      </ul>
    </div>
  );
}

function PitCard({ messageContext, pit, pieces }: { messageContext: MessageContext; pit: Pit; pieces: MapPiece[] }) {
  const { event, units } = messageContext;
  const atMs = fullestMs(pieces);
  const time = (ms: number) => clockTime(ms, event.timeZone, units.clock);
  const pxPerMm = Math.min(0.5, CARD_PX / Math.max(...pit.racks.map((rack) => rack.widthMm)));
  return (
    <section className="mb-6 break-after-page">
      <h2 className="text-xl">
        {pit.name}
        {standingWords(
          messageContext,
          pieces.map((piece) => piece.run),
          pit.id,
        )}
      </h2>
      <p>As it lies {dayAndTime(atMs, event.timeZone, units.clock)}, when it is fullest. The door is below.</p>
      {[...pit.racks]
        .sort((a, b) => b.level - a.level)
        .map((rack) => (
          <div key={rack.id} className="mt-2 break-inside-avoid">
            <p className="font-semibold">{rack.name}</p>
            <RackBoard
              messageContext={messageContext}
              rack={rack}
              pieces={pieces.filter((piece) => piece.rackId === rack.id && isAt(piece, atMs))}
              pxPerMm={pxPerMm}
              atMs={atMs}
              faulty={new Set()}
              isHere={() => true}
              onGrab={nothing}
              onKey={nothing}
              onSelect={nothing}
            />
          </div>
        ))}
      <table className="figures mt-3 w-full text-left text-[0.9rem]">
        <thead>
          <tr>
            {['Piece', 'What', 'Weighs', 'Rack', 'On', 'Wrapped', 'Expected', 'Off at the latest'].map((head) => (
              <th key={head}>{head}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {[...pieces]
            .sort((a, b) => a.fromMs - b.fromMs)
            .map((piece) => (
              <tr key={`${piece.key}-${piece.fromMs}`} className="border-t border-line">
                <td className="font-bold">{tagOf(messageContext, piece.piece)}</td>
                <td>{batchName(messageContext, piece.piece.batchId)}</td>
                <td>{formatMass(piece.kg, units)}</td>
                <td>{rackName(messageContext, pit.id, piece.rackId)}</td>
                <td>{time(piece.fromMs)}</td>
                <td>{piece.wrappedFromMs === undefined ? '' : time(piece.wrappedFromMs)}</td>
                <td>{time(piece.medianMs)}</td>
                <td>{time(piece.toMs)}</td>
              </tr>
            ))}
        </tbody>
      </table>
    </section>
  );
}
