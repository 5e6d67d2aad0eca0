'use client';
import { CircleAlert, CircleCheck, Eye, Printer, Thermometer } from 'lucide-react';
import { useState } from 'react';
import type { CookEvent, LoosenableRule, Plan } from '../../core/model';
import type { PlanInput } from '../../core/planning';
import {
  limitsOf,
  LOOSEST,
  ruleOf,
  SAFETY_STAGES,
  safetyReview,
  STRICT_LIMITS,
  type SafetyFinding,
  type SafetyState,
} from '../../core/safety';
import type { LoosenInput } from '../../inputs';
import { type MessageContext, messageContextOf } from '../../formats/messages/names';
import { DEFERS, limitMessage, looseName, safetyMessage, STAGE_NAMES } from '../../formats/messages/safety';
import { withFigures } from '../../formats/units';
import { announce, callAction, complain, type Action } from '../kit/actions';
import { Button } from '../kit/Button';
import { Dialog } from '../kit/Dialog';
import { InputForm } from '../kit/InputForm.client';
import { conversions } from '../kit/conversions';
import { FigureField, TextField } from '../kit/formFields';
import { useMarkEdit } from '../kit/undo';
import { useUnits } from '../kit/UnitsProvider';

interface SafetyPanelProps {
  input: PlanInput;
  plan: Plan;
  loosenRule: Action<CookEvent>;
  tightenRule: Action<CookEvent>;
}

/** The usual guidance, stage by stage, beside what this plan does about it. */
export function SafetyPanel({ input, plan, loosenRule, tightenRule }: SafetyPanelProps) {
  const units = useUnits();
  const markEdit = useMarkEdit();
  const { event, library, pits } = input;
  const messageContext = messageContextOf(input, units);
  const findings = safetyReview({ event, library, pits, plan });
  const [loosening, setLoosening] = useState<LoosenableRule>();
  const count = (state: SafetyState) => findings.filter((finding) => finding.state === state).length;
  const tighten = async (rule: LoosenableRule) => {
    const outcome = await callAction(tightenRule, { rule });
    if (!outcome.ok) return complain(outcome.problems);
    announce(`${looseName(rule)} is strict again.`, markEdit?.());
  };
  return (
    <main className="mx-auto max-w-6xl px-4 py-5 print:max-w-none print:p-0">
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-2xl">Safety</h1>
          <p className="max-w-3xl text-[0.93rem] text-soft">{DEFERS}</p>
        </div>
        <Button className="print:hidden" onClick={() => window.print()}>
          <Printer size={16} aria-hidden /> Print
        </Button>
      </div>
      <p className="mb-3 rounded-md border border-line bg-sheet px-4 py-2 font-semibold" role="status">
        {count('breaks') > 0 ? (
          <span className="text-bad">
            {count('breaks')} {count('breaks') === 1 ? 'value is broken' : 'values are broken'}.{' '}
          </span>
        ) : (
          <span className="text-safe">No value is broken. </span>
        )}
        {count('measure')} to be measured on the day, {count('watch')} to watch, {count('keeps')} kept by the plan.
      </p>
      <section aria-label="Hard values" className="mb-4 rounded-md border border-line bg-sheet">
        <h2 className="border-b border-line px-4 py-2 text-lg">Hard values of this plan</h2>
        <ul className="grid md:grid-cols-2">
          {(Object.keys(STRICT_LIMITS) as LoosenableRule[]).map((rule) => {
            const loose = event.loosened?.find((each) => each.rule === rule);
            const limit = limitsOf(event)[rule];
            return (
              <li key={rule} className="flex items-start justify-between gap-3 border-b border-line px-4 py-2">
                <div>
                  <p>
                    <span className="font-semibold">{looseName(rule)}</span>{' '}
                    <span className="figures text-[1.05rem] font-bold">
                      {rule === 'dangerZone' ? 'within' : 'at or above'} {limitMessage(rule, limit, units)}
                    </span>
                  </p>
                  <p className="text-[0.85rem] text-soft">{withFigures(ruleOf(rule).source, units)}</p>
                  {loose && (
                    <p className="mt-1 text-[0.9rem] font-semibold text-warn">
                      Loosened from {limitMessage(rule, STRICT_LIMITS[rule], units)}: {loose.reason}
                    </p>
                  )}
                </div>
                <Button className="print:hidden" onClick={() => (loose ? tighten(rule) : setLoosening(rule))}>
                  {loose ? 'Make strict' : 'Loosen…'}
                </Button>
              </li>
            );
          })}
        </ul>
      </section>
      {SAFETY_STAGES.map((stage) => {
        const own = findings.filter((finding) => finding.stage === stage);
        if (own.length === 0) return null;
        return (
          <section key={stage} aria-label={STAGE_NAMES[stage]} className="mb-3 rounded-md border border-line bg-sheet">
            <h2 className="border-b border-line px-4 py-2 text-[1.05rem]">{STAGE_NAMES[stage]}</h2>
            <ul>
              {own.map((finding, i) => (
                <FindingRow key={i} messageContext={messageContext} finding={finding} />
              ))}
            </ul>
          </section>
        );
      })}
      <Dialog
        open={loosening !== undefined}
        onOpenChange={(open) => !open && setLoosening(undefined)}
        title={loosening ? `Loosen: ${looseName(loosening).toLowerCase()}` : ''}
        description="For this event only. Your reason is printed with the run sheet; your code and permit still decide."
      >
        {loosening && <LoosenForm rule={loosening} loosenRule={loosenRule} onDone={() => setLoosening(undefined)} />}
      </Dialog>
    </main>
  );
}

function LoosenForm({ rule, loosenRule, onDone }: { rule: LoosenableRule; loosenRule: Action<CookEvent>; onDone(): void }) {
  const units = useUnits();
  const { heat, minutes } = conversions(units);
  const { limit, source } = LOOSEST[rule];
  const values: LoosenInput = { rule, limit, reason: '' };
  return (
    <>
      <p className="mb-3">
        Strict: <strong className="figures">{limitMessage(rule, STRICT_LIMITS[rule], units)}</strong>. It goes no further than{' '}
        <strong className="figures">{limitMessage(rule, limit, units)}</strong> ({source}).
      </p>
      <InputForm<LoosenInput, CookEvent> schema="LoosenInput" values={values} save={loosenRule} onDone={onDone} className="grid gap-3">
        <FigureField<LoosenInput>
          name="limit"
          label="Value for this event"
          conversion={rule === 'dangerZone' ? minutes : heat}
          className="w-40"
        />
        <TextField<LoosenInput> name="reason" label="Why, in your own words" />
      </InputForm>
    </>
  );
}

const STATES: Record<SafetyState, { word: string; ink: string; icon: typeof Eye }> = {
  keeps: { word: 'kept', ink: 'text-safe', icon: CircleCheck },
  measure: { word: 'measure', ink: 'text-slate', icon: Thermometer },
  watch: { word: 'watch', ink: 'text-warn', icon: Eye },
  breaks: { word: 'broken', ink: 'text-bad', icon: CircleAlert },
};

function FindingRow({ messageContext, finding }: { messageContext: MessageContext; finding: SafetyFinding }) {
  const words = safetyMessage(messageContext, finding);
  const { word, ink, icon: Icon } = STATES[finding.state];
  return (
    <li className="grid break-inside-avoid gap-x-4 border-t border-line px-4 py-2 first:border-t-0 md:grid-cols-[6rem_minmax(0,1.15fr)_minmax(0,1fr)_minmax(0,1fr)]">
      <p className={`flex items-start gap-1.5 text-[0.88rem] font-semibold ${ink}`}>
        <Icon size={16} className="mt-0.5 shrink-0" aria-hidden /> {word}
      </p>
      <div>
        <p className="font-semibold leading-snug">{words.title}</p>
        <p className="text-[0.9rem] leading-snug">
          {words.guidance}
          {finding.loosened && <strong className="text-warn"> (loosened)</strong>}
        </p>
        <p className="text-[0.8rem] text-soft">{withFigures(finding.source, messageContext.units)}</p>
      </div>
      <p className="text-[0.93rem] leading-snug">{words.does}</p>
      <p className="text-[0.93rem] leading-snug text-soft">{words.change}</p>
    </li>
  );
}
