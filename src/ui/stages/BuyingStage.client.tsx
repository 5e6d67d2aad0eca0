'use client';
import type { MethodPrices } from '../../core/planning';
import { BuyingDesk } from '../buying/BuyingDesk.client';
import { useEventDocument } from '../document/EventDocument.client';

export function BuyingStage({ prices }: { prices: MethodPrices }) {
  const { input, plan, learned, actions } = useEventDocument();
  return <BuyingDesk prices={prices} input={input} plan={plan} learned={learned} actions={actions} />;
}
