import { BriefForm } from '../../../../ui/brief/BriefForm.client';

export const metadata = { title: 'Brief' };

export default function Page() {
  return <BriefForm />;
}
