'use client';
import { Check, X } from 'lucide-react';
import Link from 'next/link';
import { useEffect, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { cutIn, PIT_KIND, type Library } from '../../core/model';
import { drillOrder, type DrillMark, type DrillQuestion, type DrillSetId } from '../../core/practice';
import { smokeWord } from '../../core/world';
import { choiceMessage, whyMessage } from '../../formats/messages/drill';
import { BEND_WORD, DRILL_WORDS } from '../../formats/messages/practice';
import { formatMass, formatMinutes, formatSetPoint, formatTemp } from '../../formats/units';
import { PracticeThread } from '../../workers/practiceClient';
import { Button, buttonClass } from '../kit/Button';
import { useUnits } from '../kit/UnitsProvider';
import { GiveCurve } from './GiveCurve';
import { MeatDrawing, shapeOf } from './MeatDrawing';
import { sendPaper } from './papers';
import { SmokeDrawing } from './SmokeDrawing';
import { useTrainee } from './useTrainee';

interface DrillProps {
  set: DrillSetId;
  library: Library;
  marks: Record<string, DrillMark[]>;
  nowMs: number;
}

/** A drill: question, answer, why. What was missed comes back within the round, and sooner on other days. */
export function Drill({ set, library, marks, nowMs }: DrillProps) {
  const units = useUnits();
  const [trainee] = useTrainee();
  const thread = useRef<PracticeThread>(undefined);
  const [queue, setQueue] = useState<number[]>();
  const [question, setQuestion] = useState<DrillQuestion>();
  const [answer, setAnswer] = useState<string>();
  const [score, setScore] = useState({ right: 0, asked: 0 });
  const [unkept, setUnkept] = useState<string>();
  const [n] = queue ?? [];

  useEffect(() => {
    const own = new PracticeThread();
    thread.current = own;
    return () => own.stop();
  }, []);
  // Whose round it is, is known only in the browser.
  const round = queue ?? drillOrder(set, marks[trainee.trim()] ?? [], nowMs).ns;
  const current = n ?? round[0];
  useEffect(() => {
    if (current === undefined) return;
    let gone = false;
    void thread.current?.question(set, current).then((made) => !gone && setQuestion(made));
    return () => {
      gone = true;
    };
  }, [set, current]);

  const shown = question?.id === `${set}-${current}` ? question : undefined;
  const choose = async (choice: string) => {
    if (!shown || answer !== undefined) return;
    const right = shown.right.includes(choice);
    setAnswer(choice);
    setScore({ right: score.right + Number(right), asked: score.asked + 1 });
    if (!trainee.trim()) return;
    const kept = await sendPaper({ what: 'answer', trainee: trainee.trim(), questionId: shown.id, right });
    setUnkept(kept.ok ? undefined : kept.problems[0]?.message);
  };
  const next = () => {
    if (!shown || answer === undefined) return;
    const rest = round.slice(1);
    // Three questions later a missed one is asked again.
    if (!shown.right.includes(answer)) rest.splice(Math.min(3, rest.length), 0, current!);
    setAnswer(undefined);
    setQueue(rest);
  };
  useHotkeys(['1', '2', '3', '4', '5'], (_, { keys }) => {
    const choice = shown?.choices[Number(keys?.[0]) - 1];
    if (choice !== undefined) void choose(choice);
  });
  useHotkeys('enter', next);
  const words = DRILL_WORDS[set];

  if (queue?.length === 0)
    return (
      <main className="mx-auto max-w-xl px-4 py-8">
        <h1 className="text-2xl">{words.title}</h1>
        <p role="status" className="mt-2 text-[1.1rem]">
          That was the set: {score.right} of {score.asked} answers right.
        </p>
        <p className="mt-1 text-soft">What you missed comes back sooner; what you knew, in some days.</p>
        <Link href="/practice" className={`${buttonClass('ember')} mt-4`}>
          Back to practice
        </Link>
      </main>
    );
  return (
    <main className="mx-auto max-w-2xl px-4 py-5">
      <div className="flex items-baseline justify-between gap-3">
        <h1 className="text-2xl">{words.title}</h1>
        <p className="text-soft">
          {score.asked} answered, {round.length} to go
        </p>
      </div>
      {!trainee.trim() && (
        <p className="mt-1 text-[0.9rem] text-warn">
          Nothing is kept: say who practises on the page{' '}
          <Link href="/practice" className="underline">
            Practice
          </Link>
          .
        </p>
      )}
      {unkept && (
        <p role="alert" className="mt-1 text-bad">
          {unkept}
        </p>
      )}
      {!shown ? (
        <p role="status" className="mt-6 text-soft">
          The world is set up…
        </p>
      ) : (
        <>
          <div className="mt-3">
            <Scene question={shown} library={library} />
          </div>
          <h2 className="mt-3 text-[1.15rem]">{words.ask}</h2>
          <ul className="mt-2 grid gap-2">
            {shown.choices.map((choice, i) => {
              const right = shown.right.includes(choice);
              const told = answer !== undefined;
              return (
                <li key={choice}>
                  <button
                    type="button"
                    disabled={told}
                    onClick={() => void choose(choice)}
                    className={`flex min-h-[48px] w-full items-center gap-3 rounded border px-3 text-left ${told && right ? 'border-safe bg-paper font-bold' : told && choice === answer ? 'border-bad' : 'border-line bg-sheet hover:border-soft'}`}
                  >
                    <span className="figures w-4 text-soft" aria-hidden>
                      {i + 1}
                    </span>
                    <span className="grow">{choiceMessage(shown, choice, library, units)}</span>
                    {told && right && <Check size={18} aria-label="right" className="text-safe" />}
                    {told && !right && choice === answer && <X size={18} aria-label="wrong" className="text-bad" />}
                  </button>
                </li>
              );
            })}
          </ul>
          {answer !== undefined && (
            <section aria-label="Why" role="status" className="mt-3 rounded-md border border-line bg-sheet p-3">
              <p>
                <strong>{shown.right.includes(answer) ? 'Right.' : 'Not so.'}</strong> {whyMessage(shown, library, units)}
              </p>
              <Button look="ember" className="mt-2 min-h-[48px] lg:min-h-9" onClick={next}>
                {round.length === 1 && shown.right.includes(answer) ? 'Finish' : 'Next'}
              </Button>
            </section>
          )}
        </>
      )}
    </main>
  );
}

/** What is to be judged: smoke over a stack, a piece, a probe going in, three pieces, or a fire at night. */
function Scene({ question, library }: { question: DrillQuestion; library: Library }) {
  const units = useUnits();
  const { scene } = question;
  if (scene.kind === 'smoke')
    return (
      <figure className="rounded-md border border-line bg-[var(--scene)]">
        <svg viewBox="0 0 560 200" className="w-full" role="img" aria-label={`Smoke over ${PIT_KIND[scene.pit].name}`}>
          <rect x="262" y="150" width="36" height="50" fill="var(--iron)" stroke="var(--scene-line)" />
          <SmokeDrawing word={smokeWord(scene.smoke)} thickness={scene.smoke.thickness} x={280} y={148} leansPx={-14} />
        </svg>
        <figcaption className="border-t border-line bg-sheet px-3 py-1.5 text-[0.9rem] text-soft">
          {PIT_KIND[scene.pit].name},{' '}
          {scene.smoke.thickness < 0.05
            ? 'the air shimmers'
            : scene.smoke.thickness < 0.3
              ? 'one sees right through it'
              : 'one hardly sees through it'}
        </figcaption>
      </figure>
    );
  if (scene.kind === 'piece') {
    const cut = cutIn(library, scene.cutId);
    return (
      <figure className="rounded-md border border-line bg-[var(--scene-in)]">
        <svg viewBox="-30 -10 160 74" className="w-full" role="img" aria-label={cut?.name}>
          <MeatDrawing shape={shapeOf(cut)} seen={scene.seen} wrap="none" />
        </svg>
        <figcaption className="border-t border-line bg-sheet px-3 py-1.5 text-[0.95rem]">
          {cut?.name}, {formatMinutes(scene.hoursOn * 60)} on
          {scene.coreC === undefined ? '' : `; core ${formatTemp(scene.coreC, units)}`}
          {scene.untilMin === undefined ? '' : `; served in ${formatMinutes(scene.untilMin)}`}. The surface is {scene.seen.wetness},{' '}
          {scene.seen.colour}.
        </figcaption>
      </figure>
    );
  }
  if (scene.kind === 'felt')
    return (
      <figure className="grid gap-2 rounded-md border border-line bg-sheet p-4">
        <GiveCurve resistance={scene.felt.resistance} />
        <figcaption>
          {cutIn(library, scene.cutId)?.name}: core {formatTemp(scene.felt.coreC, units)}
          {scene.felt.bend ? `; lifted at one end, ${BEND_WORD[scene.felt.bend]}` : ''}.
        </figcaption>
      </figure>
    );
  if (scene.kind === 'pieces')
    return (
      <p className="rounded-md border border-line bg-sheet p-4">
        One pit at {formatSetPoint(scene.pitC, units)}, and these three, each rested as its method says.
      </p>
    );
  const { gaugeC, wasC, wishC, litKg, unlitKg, bottom, top, ashFull } = scene;
  const minutes = (share: number) => (share < 0.13 ? 'nearly shut' : share < 0.5 ? 'partly open' : 'well open');
  return (
    <figure className="rounded-md border border-line bg-sheet p-4">
      <p className="figures text-[1.6rem] font-bold">
        {formatTemp(gaugeC, units)}{' '}
        <span className="text-[1rem] font-normal text-soft">
          wished {formatSetPoint(wishC, units)}; when you last looked {formatTemp(wasC, units)}
        </span>
      </p>
      <figcaption className="mt-1">
        A {PIT_KIND[scene.pit].name}. Through the vent: {litKg < 0.3 ? 'hardly anything glows' : `about ${formatMass(litKg, units)} glows`},{' '}
        {unlitKg > 0.1 ? `${formatMass(unlitKg, units)} still black` : 'nothing left to catch'}
        {ashFull ? ', grey ash up to the grate' : ''}. Lower vent {minutes(bottom)}, upper vent {minutes(top)}.
      </figcaption>
    </figure>
  );
}
