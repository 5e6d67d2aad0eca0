import { strFromU8, strToU8, Unzip, UnzipInflate, UnzipPassThrough, Zip, ZipDeflate } from 'fflate';

/** A house as one archive of text files (docs/formats/house.md): written and read piece by piece, however much it holds. */

/** Archives hold a time for each file; the same house is the same archive. */
const NO_TIME = new Date('1980-01-01T12:00:00Z');

/** A file may come in several pieces, one after the other. */
export interface TextPart {
  name: string;
  text: string;
}

export async function* zipped(parts: AsyncIterable<TextPart>): AsyncGenerator<Uint8Array> {
  let ready: Uint8Array[] = [];
  const zip = new Zip((error, chunk) => {
    if (error) throw error;
    ready.push(chunk);
  });
  let open: { name: string; file: ZipDeflate } | undefined;
  const close = () => open?.file.push(new Uint8Array(), true);
  for await (const { name, text } of parts) {
    if (open?.name !== name) {
      close();
      open = { name, file: new ZipDeflate(name) };
      open.file.mtime = NO_TIME;
      zip.add(open.file);
    }
    open.file.push(strToU8(text));
    yield* ready;
    ready = [];
  }
  close();
  zip.end();
  yield* ready;
}

/** What is no archive, or is one of which a file grows beyond what a house can hold. */
export class NoHouse extends Error {}

const LONGEST_FILE_BYTES = 4e9;
const LONGEST_LINE_BYTES = 16e6;
/** What is pressed a thousandfold still fits into memory. */
const STEP_BYTES = 16_384;

/** The files of an archive in its order, each in pieces that end with a line. */
export async function* unzipped(chunks: AsyncIterable<Uint8Array>): AsyncGenerator<TextPart> {
  let ready: TextPart[] = [];
  let files = 0;
  const unzip = new Unzip((file) => {
    files++;
    let [rest, bytes] = [new Uint8Array(), 0];
    file.ondata = (error, data, final) => {
      if (error) throw new NoHouse(`${file.name}: ${error.message}`);
      bytes += data.length;
      if (bytes > LONGEST_FILE_BYTES) throw new NoHouse(`${file.name} is too long.`);
      const all = new Uint8Array(rest.length + data.length);
      all.set(rest);
      all.set(data, rest.length);
      const end = final ? all.length : all.lastIndexOf(10) + 1;
      rest = all.slice(end);
      if (rest.length > LONGEST_LINE_BYTES) throw new NoHouse(`A line of ${file.name} is too long.`);
      if (end > 0 || final) ready.push({ name: file.name, text: strFromU8(all.subarray(0, end)) });
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  unzip.register(UnzipPassThrough);
  try {
    for await (const chunk of chunks)
      for (let from = 0; from < chunk.length; from += STEP_BYTES) {
        unzip.push(chunk.subarray(from, from + STEP_BYTES));
        yield* ready;
        ready = [];
      }
    unzip.push(new Uint8Array(), true);
    yield* ready;
  } catch (error) {
    throw error instanceof NoHouse ? error : new NoHouse((error as Error).message);
  }
  if (files === 0) throw new NoHouse('There is nothing in it.');
}
