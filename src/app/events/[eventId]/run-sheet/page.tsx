import { RunSheetStage } from '../../../../ui/document/stages.client';

export const metadata = { title: 'Run sheet' };

export default function Page() {
  return <RunSheetStage />;
}
