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

export interface Walked {
  files: ArrivingFile[];
  /** The name of the one folder that was dropped; empty if it was anything else. */
  folder: string;
  /** Paths of files and folders that the browser could not read. */
  unread: string[];
}

/** All files in what was dropped, subfolders kept. One dropped folder's own name is no part of the paths. */
export async function walk(entries: FileSystemEntry[]): Promise<Walked> {
  const only = entries.length === 1 ? entries[0] : undefined;
  const walked: Walked = { files: [], folder: only?.isDirectory ? only.name : '', unread: [] };
  if (only?.isDirectory) {
    await walkFolder(only as FileSystemDirectoryEntry, '', walked);
  } else {
    for (const entry of entries) await walkEntry(entry, '', walked);
  }
  return walked;
}

async function walkEntry(entry: FileSystemEntry, below: string, walked: Walked): Promise<void> {
  if (entry.isDirectory) {
    await walkFolder(entry as FileSystemDirectoryEntry, `${below}${entry.name}/`, walked);
    return;
  }
  const path = below + entry.name;
  if (isLitter(path)) return;
  try {
    const file = await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject));
    walked.files.push({ path, file });
  } catch {
    walked.unread.push(path);
  }
}

/** A folder that cannot be read does not stop the others. */
async function walkFolder(folder: FileSystemDirectoryEntry, below: string, walked: Walked): Promise<void> {
  const reader = folder.createReader();
  // A reader gives its entries in portions; an empty one is the last.
  for (;;) {
    let portion: FileSystemEntry[];
    try {
      portion = await new Promise<FileSystemEntry[]>((resolve, reject) => reader.readEntries(resolve, reject));
    } catch {
      walked.unread.push(below || folder.name);
      return;
    }
    if (portion.length === 0) return;
    for (const entry of portion) await walkEntry(entry, below, walked);
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
