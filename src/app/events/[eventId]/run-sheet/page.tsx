import { RunSheetStage } from '../../../../ui/stages/RunSheetStage.client';

export const metadata = { title: 'Run sheet' };

export default function Page() {
  return <RunSheetStage />;
}
