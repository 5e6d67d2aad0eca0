import { download } from '../download';

export const dynamic = 'force-dynamic';

export const GET = async (_: Request, { params }: { params: Promise<{ eventId: string }> }) => download('calendar', (await params).eventId);
