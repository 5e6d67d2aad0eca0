import { redirect } from 'next/navigation';
import type { EventParams } from './params';

export default async function Page({ params }: EventParams) {
  redirect(`/events/${(await params).eventId}/plan`);
}
