/** A file with its path below the folder that was dropped. */
export interface ArrivingFile {
  path: string;
  file: File;
}

/** Files that systems leave in folders and nobody means. */
const litter = new Set(['thumbs.db', 'desktop.ini', '.ds_store']);

export function isLitter(path: string): boolean {
  const parts = path.split('/');
  return parts.some((part) => part.startsWith('.')) || litter.has((parts.at(-1) ?? '').toLowerCase());
}

/** The entries of a drop must be taken at once; what lies in them is read afterwards. */
export function entriesOf(items: DataTransferItemList): FileSystemEntry[] {
  return Array.from(items)
    .map((item) => item.webkitGetAsEntry())
    .filter((entry): entry is FileSystemEntry => entry !== null);
}

/** All files in what was dropped, subfolders kept. One dropped folder's own name is no part of the paths. */
export async function walk(entries: FileSystemEntry[]): Promise<{ files: ArrivingFile[]; folder: string }> {
  const only = entries.length === 1 ? entries[0] : undefined;
  const files: ArrivingFile[] = [];
  if (only?.isDirectory) {
    await walkFolder(only as FileSystemDirectoryEntry, '', files);
    return { files, folder: only.name };
  }
  for (const entry of entries) {
    await walkEntry(entry, '', files);
  }
  return { files, folder: '' };
}

async function walkEntry(entry: FileSystemEntry, below: string, files: ArrivingFile[]): Promise<void> {
  if (entry.isDirectory) {
    await walkFolder(entry as FileSystemDirectoryEntry, `${below}${entry.name}/`, files);
    return;
  }
  const path = below + entry.name;
  if (!isLitter(path)) {
    const file = await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject));
    files.push({ path, file });
  }
}

async function walkFolder(folder: FileSystemDirectoryEntry, below: string, files: ArrivingFile[]): Promise<void> {
  const reader = folder.createReader();
  // A reader gives its entries in portions; an empty one is the last.
  for (;;) {
    const portion = await new Promise<FileSystemEntry[]>((resolve, reject) => reader.readEntries(resolve, reject));
    if (portion.length === 0) return;
    for (const entry of portion) {
      await walkEntry(entry, below, files);
    }
  }
}

/** Files chosen in a dialog; of a folder they carry their path, whose first part is the folder's name. */
export function chosen(list: FileList): { files: ArrivingFile[]; folder: string } {
  const all = Array.from(list);
  const folder = all[0]?.webkitRelativePath.split('/')[0] ?? '';
  const files = all
    .map((file) => ({
      path: file.webkitRelativePath ? file.webkitRelativePath.split('/').slice(1).join('/') : file.name,
      file,
    }))
    .filter(({ path }) => !isLitter(path));
  return { files, folder };
}
