'use client';
import { useEventDocument } from '../document/EventDocument.client';
import { useAnswer } from '../document/useAnswer';
import { ServiceDesk } from '../service/ServiceDesk.client';

export function ServiceStage() {
  const { input, plan, actions } = useEventDocument();
  const cooling = useAnswer('cooling');
  return <ServiceDesk input={input} plan={plan} cooling={cooling?.byBatch ?? {}} keeps={cooling?.keeps ?? []} actions={actions} />;
}
