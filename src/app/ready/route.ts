import { context } from '../../runtime/context';

export const dynamic = 'force-dynamic';

/** Answers once the database is open: whoever starts the program waits for this before it prints the address. */
export async function GET(): Promise<Response> {
  await context();
  return new Response('ready');
}
