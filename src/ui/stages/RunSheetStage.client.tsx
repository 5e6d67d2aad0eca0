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
      {/* What the next plan may change is for the desk, not for the wall. */}
      <div className="print:hidden">
        <FromTheLog />
        <TrialsHere />
      </div>
    </RunSheet>
  );
}
