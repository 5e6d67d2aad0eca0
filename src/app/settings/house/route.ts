import { Readable } from 'node:stream';
import { localDate } from '../../../formats/clock';
import { context, databaseFile } from '../../../runtime/context';
import { writeHouse } from '../../../services';

export const dynamic = 'force-dynamic';

/** Everything of the owner as open files, in one archive (docs/formats/house.md). */
export async function GET() {
  const opened = await context();
  const archive = Readable.toWeb(Readable.from(writeHouse(opened, databaseFile()))) as ReadableStream;
  return new Response(archive, {
    headers: {
      'Content-Type': 'application/zip',
      'Content-Disposition': `attachment; filename="house-${localDate(opened.nowMs(), 'UTC')}.zip"`,
      'Cache-Control': 'no-store',
    },
  });
}
