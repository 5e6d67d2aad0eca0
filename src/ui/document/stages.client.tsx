'use client';
import { useEffect, useState } from 'react';
import type { PlanAskKind, PlanAsks } from '../../workers/protocol';
import { BuyingDesk } from '../buying/BuyingDesk.client';
import { EventPits, type EventPitsProps } from '../pits/EventPits.client';
import { PrepDesk } from '../prep/PrepDesk.client';
import { RunSheet } from '../runsheet/RunSheet.client';
import { SafetyPanel } from '../safety/SafetyPanel.client';
import { ServiceDesk } from '../service/ServiceDesk.client';
import { useEventDocument } from './EventDocument.client';

/** The stages of an event, each with what it needs of the document that is open. */

export function BuyingStage() {
  const { input, plan, learned, actions } = useEventDocument();
  return <BuyingDesk input={input} plan={plan} learned={learned} actions={actions} />;
}

export function PrepStage() {
  const { input, plan, actions } = useEventDocument();
  return <PrepDesk input={input} plan={plan} actions={actions} />;
}

export function PitsStage({ others }: Pick<EventPitsProps, 'others'>) {
  const { event, facts, actions } = useEventDocument();
  return (
    <EventPits
      event={event}
      equipment={facts.equipment}
      others={others}
      chooseEquipment={actions.chooseEquipment}
      saveDay={actions.saveDay}
    />
  );
}

export function SafetyStage() {
  const { input, plan, actions } = useEventDocument();
  return <SafetyPanel input={input} plan={plan} loosenRule={actions.loosenRule} tightenRule={actions.tightenRule} />;
}

/** What the worker says about the plan it stands at; the answer before stays until the next is there. */
function useAnswer<K extends PlanAskKind>(kind: K): PlanAsks[K]['answer'] | undefined {
  const { planner, plannedVersion } = useEventDocument();
  const [answer, setAnswer] = useState<PlanAsks[K]['answer']>();
  useEffect(() => {
    if (plannedVersion === undefined) return;
    let stale = false;
    void planner.current?.ask(plannedVersion, kind, {} as PlanAsks[K]['ask']).then((found) => !stale && found && setAnswer(found));
    return () => {
      stale = true;
    };
  }, [planner, plannedVersion, kind]);
  return answer;
}

export function RunSheetStage() {
  const { input, plan } = useEventDocument();
  return <RunSheet input={input} plan={plan} decisions={useAnswer('decisions') ?? []} />;
}

export function ServiceStage() {
  const { input, plan, actions } = useEventDocument();
  const cooling = useAnswer('cooling');
  return <ServiceDesk input={input} plan={plan} cooling={cooling?.byBatch ?? {}} keeps={cooling?.keeps ?? []} actions={actions} />;
}
