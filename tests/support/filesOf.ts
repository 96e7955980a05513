import { text } from 'node:stream/consumers';
import { promisify } from 'node:util';
import { open, type Entry, type Options, type ZipFile } from 'yauzl';

/** The texts in a zip archive, by name. */
export async function filesOf(path: string): Promise<Readonly<Record<string, string>>> {
  const zip = (await promisify<string, Options, ZipFile>(open)(path, { lazyEntries: true })) as ZipFile;
  const files: Record<string, string> = {};
  await new Promise<void>((done, fail) => {
    zip.on('entry', (entry: Entry) =>
      zip.openReadStream(entry, (error, stream) => {
        if (error) return fail(error);
        void text(stream).then((said) => {
          files[entry.fileName] = said;
          zip.readEntry();
        }, fail);
      }),
    );
    zip.on('end', done);
    zip.on('error', fail);
    zip.readEntry();
  });
  return files;
}
