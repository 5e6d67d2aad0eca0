import { PrepStage } from '../../../../ui/stages/PrepStage.client';

export const metadata = { title: 'Prep' };

export default function Page() {
  return <PrepStage />;
}
