'use client';
import { BuyingDesk } from '../buying/BuyingDesk.client';
import { useEventDocument } from '../document/EventDocument.client';

export function BuyingStage() {
  const { input, plan, learned, actions } = useEventDocument();
  return <BuyingDesk input={input} plan={plan} learned={learned} actions={actions} />;
}
