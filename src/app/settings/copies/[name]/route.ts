import { createReadStream, statSync } from 'node:fs';
import path from 'node:path';
import { Readable } from 'node:stream';
import { databaseFile } from '../../../../runtime/context';
import { copiesFolder, listCopies } from '../../../../services';

export const dynamic = 'force-dynamic';

/** A copy as a file, to be kept elsewhere: a machine that burns takes those beside it along. */
export async function GET(_: Request, { params }: { params: Promise<{ name: string }> }) {
  const { name } = await params;
  const folder = copiesFolder(databaseFile());
  if (!listCopies(folder).some((copy) => copy.name === name)) return new Response('This copy is not there.', { status: 404 });
  const file = path.join(folder, name);
  return new Response(Readable.toWeb(createReadStream(file)) as ReadableStream, {
    headers: {
      'Content-Type': 'application/vnd.sqlite3',
      'Content-Length': String(statSync(file).size),
      'Content-Disposition': `attachment; filename="${name}"`,
      'Cache-Control': 'no-store',
    },
  });
}
