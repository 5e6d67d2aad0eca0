'use client';
import { useEventDocument } from '../document/EventDocument.client';
import { PrepDesk } from '../prep/PrepDesk.client';

export function PrepStage() {
  const { input, plan, actions } = useEventDocument();
  return <PrepDesk input={input} plan={plan} actions={actions} />;
}
