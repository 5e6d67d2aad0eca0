import { PrepStage } from '../../../../ui/document/stages.client';

export const metadata = { title: 'Prep' };

export default function Page() {
  return <PrepStage />;
}
