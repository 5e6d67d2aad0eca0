'use client';
import { useEventDocument } from '../document/EventDocument.client';
import { SafetyPanel } from '../safety/SafetyPanel.client';

export function SafetyStage() {
  const { input, plan, actions } = useEventDocument();
  return <SafetyPanel input={input} plan={plan} loosenRule={actions.loosenRule} tightenRule={actions.tightenRule} />;
}
