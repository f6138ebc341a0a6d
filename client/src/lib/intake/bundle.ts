import { zip, type AsyncZippable } from 'fflate';

/** A table or a sidecar that lies beside pictures. */
export const isWords = (file: File) => /\.(csv|xmp)$/i.test(file.name);

/** Files of a folder as one bundle, so that what lies beside a picture is read with it. */
export async function bundleOf(files: File[]): Promise<File> {
  const entries: AsyncZippable = {};
  for (const file of files)
    entries[within(file)] = [new Uint8Array(await file.arrayBuffer()), { level: 0, mtime: file.lastModified }];
  const packed = await new Promise<Uint8Array<ArrayBuffer>>((resolve, reject) =>
    zip(entries, (error, data) => (error ? reject(error) : resolve(data as Uint8Array<ArrayBuffer>))),
  );
  return new File([packed], `${nameOf(files)}.zip`, { type: 'application/zip' });
}

const nameOf = (files: File[]) => files[0]?.webkitRelativePath.split('/')[0] || 'folder';

/** The path below the folder that was chosen. */
const within = (file: File) => file.webkitRelativePath.split('/').slice(1).join('/') || file.name;
