import { RackDesk } from '../../../../ui/racks/RackDesk.client';

export const metadata = { title: 'Racks' };

export default function Page() {
  return <RackDesk />;
}
