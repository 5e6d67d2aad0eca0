'use client';
import { useEventDocument } from '../document/EventDocument.client';
import { useAnswer } from '../document/useAnswer';
import { FromTheLog } from '../log/FromTheLog.client';
import { TrialsHere } from '../trials/TrialsHere.client';
import { RunSheet } from '../runsheet/RunSheet.client';

export function RunSheetStage() {
  const { input, plan } = useEventDocument();
  return (
    <RunSheet input={input} plan={plan} decisions={useAnswer('decisions') ?? []}>
      <FromTheLog />
      <TrialsHere />
    </RunSheet>
  );
}
