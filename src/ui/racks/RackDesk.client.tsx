'use client';
import { CircleAlert, CircleCheck, FileDown, Printer, Wand2 } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { ManualPlacement, Rack } from '../../core/model';
import { rackFaults, snapPlace } from '../../core/packing';
import { placementsAfter, mapPieces, movedPiece, type FinishByOffset, type MapPiece } from '../../core/planning';
import { MS_PER_MIN } from '../../core/units';
import { dayAndTime } from '../../formats/clock';
import { capital, messageContextOf } from '../../formats/messages/names';
import { faultMessage } from '../../formats/messages/rack';
import { formatMass, formatShare } from '../../formats/units';
import type { Planner } from '../../workers/client';
import { useEventDocument } from '../document/EventDocument.client';
import { announce, complain } from '../kit/actions';
import { Button, buttonClass } from '../kit/Button';
import { useUnits } from '../kit/UnitsProvider';
import { useWidth } from '../kit/useWidth';
import { PhasePatterns } from '../plan/patterns';
import { finishMessage, PiecePanel } from './PiecePanel.client';
import { PitCards } from './PitCards';
import { backOnAt } from './BackPans';
import { RackBoard } from './RackBoard.client';
import { depthOf, RIM_MM } from './RackFloor';
import { RackToolbar } from './RackToolbar.client';
import { freeSpot } from './freeSpot';
import { fullestMs, fullShare, isAt, scaleFor, spanOf } from './shownRacks';

/** Arrow keys move a piece by this much; with Shift by one. */
const KEY_MM = 10;

interface Drag {
  piece: MapPiece;
  grabXMm: number;
  grabYMm: number;
  moved: boolean;
}

/** The racks of a pit from above, to scale, at any moment: pieces are dragged, turned and moved, and what breaks says so at once. */
export function RackDesk() {
  const units = useUnits();
  const { event, input, plan, planning, plannedVersion, planner, actions, undo } = useEventDocument();
  const manualPlacements = useMemo(() => event.manualPlacements ?? [], [event.manualPlacements]);
  const lay = async (next: ManualPlacement[]) => {
    const outcome = await actions.placeByHand({ manualPlacements: next });
    if (!outcome.ok) complain(outcome.problems);
  };
  const messageContext = messageContextOf(input, units);
  const used = input.pits.filter((pit) => plan.runs.some((run) => run.legs.some((leg) => leg.pitId === pit.id)));
  const [pitId, setPitId] = useState<string | undefined>(used[0]?.id);
  const pit = used.find((each) => each.id === pitId) ?? used[0];
  const [chosenMs, setChosenMs] = useState<number>();
  const [whole, setWhole] = useState(false);
  const [selectedKey, setSelectedKey] = useState<string>();
  const [drag, setDrag] = useState<Drag>();
  const boards = useRef(new Map<string, HTMLElement>());
  const [holder, widthPx] = useWidth();

  const planned = useMemo(() => (pit ? mapPieces(input, plan, pit.id) : []), [input, plan, pit]);
  /** As the plan lies, with what was just laid by hand in its new place before the next plan is there. */
  const pieces = useMemo(
    () =>
      planned.map((piece) => {
        const own = manualPlacements.find(
          (each) => each.batchId === piece.piece.batchId && each.pieceId === piece.piece.pieceId && each.pitId === piece.pitId,
        );
        const rack = own && pit?.racks.find((each) => each.id === own.rackId);
        return own && rack ? movedPiece(piece, rack, own) : piece;
      }),
    [planned, manualPlacements, pit],
  );
  const shown = drag
    ? pieces.map((piece) => (piece.key === drag.piece.key && piece.fromMs === drag.piece.fromMs ? drag.piece : piece))
    : pieces;
  const span = useMemo(
    () => spanOf([...pieces, ...(plan.backOn ?? []).filter((each) => each.pitId === pit?.id)]),
    [pieces, plan.backOn, pit?.id],
  );
  const atMs = Math.min(Math.max(chosenMs ?? fullestMs(pieces), span.fromMs), span.toMs - MS_PER_MIN);
  const isHere = (piece: MapPiece) => isAt(piece, atMs);
  const faults = useMemo(() => (pit ? rackFaults(pit, shown) : []), [pit, shown]);
  const faulty = new Set(
    faults
      .flatMap(({ fault }) => ('piece' in fault ? [fault.piece, ...('other' in fault ? [fault.other] : [])] : []))
      .map(({ batchId, pieceId }) => `${batchId}/${pieceId}`),
  );
  const selected = shown.find((piece) => piece.key === selectedKey && isHere(piece)) ?? shown.find((piece) => piece.key === selectedKey);
  const finishes = useFinishes(planner, plannedVersion, selected);

  const settle = (from: MapPiece, to: MapPiece) => lay(placementsAfter(manualPlacements, pieces, from, to));
  const arrange = () => {
    if (!pit) return;
    void lay(manualPlacements.filter((each) => each.pitId !== pit.id));
    announce(`The ${pit.name.toLowerCase()} is arranged by the plan.`, undo);
  };

  const rackOf = (id: string): Rack | undefined => pit?.racks.find((rack) => rack.id === id);
  const turn = (piece: MapPiece) => {
    const rack = rackOf(piece.rackId);
    if (!rack) return;
    // About its middle, and then whole millimetres.
    const xMm = Math.round(piece.xMm + (piece.widthMm - piece.depthMm) / 2);
    const yMm = Math.round(piece.yMm + (piece.depthMm - piece.widthMm) / 2);
    settle(piece, movedPiece(piece, rack, { xMm, yMm, turned: !piece.turned }));
  };
  const moveTo = (piece: MapPiece, toPitId: string, rackId: string) => {
    const target = input.pits.find((each) => each.id === toPitId)?.racks.find((rack) => rack.id === rackId);
    if (!target) return;
    const { turned } = piece;
    const moved = movedPiece(piece, target, { xMm: 0, yMm: 0, turned });
    const there = toPitId === pit?.id ? pieces.filter((other) => other.key !== piece.key && other.rackId === rackId && isHere(other)) : [];
    settle(piece, { ...movedPiece(piece, target, freeSpot(target, moved, there)), pitId: toPitId });
  };
  const onKey = (piece: MapPiece, pressed: React.KeyboardEvent) => {
    const rack = rackOf(piece.rackId);
    if (!rack || pressed.ctrlKey || pressed.metaKey || pressed.altKey) return;
    const step = pressed.shiftKey ? 1 : KEY_MM;
    const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] }[pressed.key];
    if (by) {
      pressed.preventDefault();
      pressed.stopPropagation();
      settle(piece, movedPiece(piece, rack, { xMm: piece.xMm + by[0]!, yMm: piece.yMm + by[1]!, turned: piece.turned }));
    } else if (pressed.key === 't' || pressed.key === 'T') {
      pressed.preventDefault();
      turn(piece);
    } else if ((pressed.key === 'PageUp' || pressed.key === 'PageDown') && pit) {
      pressed.preventDefault();
      const order = [...pit.racks].sort((a, b) => a.level - b.level);
      const next = order[order.findIndex((each) => each.id === piece.rackId) + (pressed.key === 'PageUp' ? 1 : -1)];
      if (next) moveTo(piece, pit.id, next.id);
    }
  };

  /** Where a pointer is over which rack, in mm of that rack. */
  const mmAt = (clientX: number, clientY: number, stayOn: string): { rack: Rack; xMm: number; yMm: number } | undefined => {
    const over = (pit?.racks ?? []).find((rack) => {
      const box = boards.current.get(rack.id)?.getBoundingClientRect();
      return box && clientX >= box.left && clientX <= box.right && clientY >= box.top && clientY <= box.bottom;
    });
    const rack = over ?? rackOf(stayOn);
    const box = rack && boards.current.get(rack.id)?.getBoundingClientRect();
    if (!rack || !box) return undefined;
    const perPx = (rack.widthMm + 2 * RIM_MM) / box.width;
    return { rack, xMm: (clientX - box.left) * perPx - RIM_MM, yMm: depthOf(rack) + RIM_MM - (clientY - box.top) * perPx };
  };
  const onGrab = (piece: MapPiece, pressed: React.PointerEvent<SVGGElement>) => {
    if (pressed.button !== 0) return;
    const at = mmAt(pressed.clientX, pressed.clientY, piece.rackId);
    if (!at) return;
    setSelectedKey(piece.key);
    pressed.currentTarget.setPointerCapture?.(pressed.pointerId);
    setDrag({ piece, grabXMm: at.xMm - piece.xMm, grabYMm: at.yMm - piece.yMm, moved: false });
  };
  const from = drag && pieces.find((piece) => piece.key === drag.piece.key && piece.fromMs === drag.piece.fromMs);
  const onMove = (moved: React.PointerEvent) => {
    if (!drag || !from) return;
    const at = mmAt(moved.clientX, moved.clientY, drag.piece.rackId);
    if (!at) return;
    const free = { xMm: at.xMm - drag.grabXMm, yMm: at.yMm - drag.grabYMm, widthMm: drag.piece.widthMm, depthMm: drag.piece.depthMm };
    const others = pieces.filter((other) => other.key !== from.key && other.rackId === at.rack.id && isHere(other));
    const { xMm, yMm } = snapPlace(at.rack, free, others);
    setDrag({ ...drag, moved: true, piece: movedPiece(drag.piece, at.rack, { xMm, yMm, turned: drag.piece.turned }) });
  };
  const onDrop = () => {
    if (drag && from && drag.moved && (drag.piece.xMm !== from.xMm || drag.piece.yMm !== from.yMm || drag.piece.rackId !== from.rackId))
      settle(from, drag.piece);
    setDrag(undefined);
  };

  if (!pit)
    return (
      <main className="p-6">
        <h1 className="text-2xl">Racks</h1>
        <p className="mt-2 text-soft">Nothing lies on any rack yet. Give the event a menu and a pit, and every piece gets its place.</p>
      </main>
    );
  const racks = [...pit.racks].sort((a, b) => b.level - a.level);
  const pxPerMm = scaleFor(pit, widthPx);
  const dragged =
    drag &&
    faults.find(
      ({ fault }) => 'piece' in fault && (isRef(fault.piece, drag.piece) || ('other' in fault && isRef(fault.other, drag.piece))),
    );
  const status = drag
    ? dragged
      ? `${capital(faultMessage(messageContext, dragged.fault))}.`
      : `Clear of everything. ${capital(finishMessage(messageContext, drag.piece, finishes))}.`
    : faults.length > 0
      ? `${capital(faultMessage(messageContext, faults[0]!.fault))}, ${dayAndTime(faults[0]!.fault.fromMs, event.timeZone, units.clock)}.${faults.length > 1 ? ` And ${faults.length - 1} more.` : ''}`
      : `Every piece has its gap, its headroom and its rack’s load.`;
  const broken = drag ? dragged !== undefined : faults.length > 0;
  return (
    <main
      className="flex min-h-[calc(100vh-50px)] flex-col"
      onPointerMove={onMove}
      onPointerUp={onDrop}
      onPointerCancel={() => setDrag(undefined)}
    >
      <svg width="0" height="0" className="absolute" aria-hidden>
        <PhasePatterns />
      </svg>
      <h1 className="sr-only">Racks of {event.name}</h1>
      <RackToolbar
        messageContext={messageContext}
        pits={used}
        pitId={pit.id}
        pieces={pieces}
        atMs={atMs}
        whole={whole}
        onPit={(next) => {
          setPitId(next);
          setChosenMs(undefined);
          setSelectedKey(undefined);
        }}
        onMoment={setChosenMs}
        onWhole={setWhole}
      />
      <div className="flex flex-wrap items-center gap-3 border-b border-line bg-sheet px-4 py-2 print:hidden">
        <p
          role="status"
          aria-label="What the racks keep"
          className={`flex grow items-start gap-2 font-semibold ${broken ? 'text-bad' : ''}`}
        >
          {broken ? (
            <CircleAlert size={18} className="mt-0.5 shrink-0" aria-label="Broken" />
          ) : (
            <CircleCheck size={18} className="mt-0.5 shrink-0 text-safe" aria-label="Kept" />
          )}
          {status}
        </p>
        <p className="text-[0.85rem] text-soft" role="status">
          {planning ? 'Planning…' : ''}
        </p>
        <div className="flex flex-wrap gap-1">
          <Button onClick={arrange} disabled={!manualPlacements.some((each) => each.pitId === pit.id)}>
            <Wand2 size={16} aria-hidden /> Arrange it
          </Button>
          <Button onClick={() => window.print()}>
            <Printer size={16} aria-hidden /> Pit cards
          </Button>
          <a href={`/events/${event.id}/racks/svg?pit=${pit.id}&at=${atMs}`} download className={buttonClass()}>
            <FileDown size={16} aria-hidden /> SVG
          </a>
        </div>
      </div>
      <div className="grid grow grid-cols-1 print:hidden lg:grid-cols-[minmax(0,1fr)_19.5rem]">
        <div ref={holder} className="min-w-0 p-4">
          <div className="flex flex-wrap gap-x-6 gap-y-4">
            {racks.map((rack) => {
              const occupancies = shown.filter((piece) => piece.rackId === rack.id && (whole || isHere(piece)));
              const here = occupancies.filter(isHere);
              return (
                <section key={rack.id} aria-label={rack.name}>
                  <p className="mb-1 flex items-baseline gap-3">
                    <span className="font-semibold">{rack.name}</span>
                    <RackFill rack={rack} pieces={here} />
                  </p>
                  <div
                    ref={(element) => {
                      if (element) boards.current.set(rack.id, element);
                      else boards.current.delete(rack.id);
                    }}
                    className="inline-block"
                  >
                    <RackBoard
                      messageContext={messageContext}
                      rack={rack}
                      pieces={occupancies}
                      backOn={backOnAt(plan, pit.id, atMs)}
                      pxPerMm={pxPerMm}
                      atMs={atMs}
                      selectedKey={selectedKey}
                      draggedKey={drag?.piece.key}
                      faulty={faulty}
                      isHere={isHere}
                      onGrab={onGrab}
                      onKey={onKey}
                      onSelect={(piece) => setSelectedKey(piece.key)}
                    />
                  </div>
                </section>
              );
            })}
          </div>
          <p className="mt-3 text-[0.88rem] text-soft">
            The door is below. The bar on a piece is its thick end; a dot says it was laid by hand. Drag a piece, or choose it and use the
            arrow keys; T turns it, Page Up and Page Down move it to another rack.
          </p>
        </div>
        <aside aria-label="Piece in full" className="border-l border-line bg-sheet p-4">
          {selected ? (
            <PiecePanel
              messageContext={messageContext}
              pits={input.pits}
              piece={selected}
              finishes={finishes}
              onTurn={() => turn(selected)}
              onMove={(toPitId, rackId) => moveTo(selected, toPitId, rackId)}
              onFree={() =>
                lay(
                  manualPlacements.filter((each) => !(each.batchId === selected.piece.batchId && each.pieceId === selected.piece.pieceId)),
                )
              }
            />
          ) : (
            <p className="text-soft">Choose a piece to see its weight, its place, and what that place does to its finish.</p>
          )}
        </aside>
      </div>
      <PitCards messageContext={messageContext} input={input} plan={plan} />
    </main>
  );
}

const isRef = (ref: { batchId: string; pieceId: string }, piece: MapPiece) =>
  ref.batchId === piece.piece.batchId && ref.pieceId === piece.piece.pieceId;

/** How full a rack is at the moment, and how much it carries. */
function RackFill({ rack, pieces }: { rack: Rack; pieces: readonly MapPiece[] }) {
  const units = useUnits();
  const kg = pieces.reduce((sum, piece) => sum + piece.kg, 0);
  return (
    <span className="figures text-[0.88rem] text-soft">
      {pieces.length} {pieces.length === 1 ? 'piece' : 'pieces'}, {formatShare(fullShare(rack, pieces))} full, {formatMass(kg, units)} of{' '}
      {formatMass(rack.maxKg, units)}
    </span>
  );
}

/** When the chosen piece would be done at other places, asked of the worker once its plan is there. */
function useFinishes(
  planner: React.RefObject<Planner | undefined>,
  plannedVersion: number | undefined,
  piece: MapPiece | undefined,
): FinishByOffset | undefined {
  const [finishes, setFinishes] = useState<FinishByOffset>();
  const runId = piece?.run.id;
  const pieceId = piece?.piece.pieceId;
  useEffect(() => {
    if (plannedVersion === undefined || runId === undefined || pieceId === undefined) return;
    let stale = false;
    void planner.current?.ask(plannedVersion, 'finishes', { runId, pieceId }).then((found) => {
      if (!stale) setFinishes(found);
    });
    return () => {
      stale = true;
    };
  }, [planner, plannedVersion, runId, pieceId]);
  return finishes;
}
