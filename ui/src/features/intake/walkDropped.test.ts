import { describe, expect, it } from 'vitest';
import { isLitter, walk } from './walkDropped';

function file(name: string): FileSystemEntry {
  return {
    isDirectory: false,
    isFile: true,
    name,
    file: (resolve: (file: File) => void) => resolve(new File(['x'], name)),
  } as unknown as FileSystemEntry;
}

/** A folder whose reader gives two entries at a time, as readers may. */
function folder(name: string, entries: FileSystemEntry[]): FileSystemEntry {
  return {
    isDirectory: true,
    isFile: false,
    name,
    createReader: () => {
      const left = [...entries];
      return { readEntries: (resolve: (portion: FileSystemEntry[]) => void) => resolve(left.splice(0, 2)) };
    },
  } as unknown as FileSystemEntry;
}

describe('what was dropped', () => {
  it('is walked to its last file, subfolders kept, in any number of portions', async () => {
    const tree = folder('Saltmere', [
      file('a.jpg'),
      file('b.jpg'),
      file('c.jpg'),
      folder('evening', [file('a.jpg'), folder('deep', [file('z.tif')])]),
      file('.DS_Store'),
    ]);
    const walked = await walk([tree]);
    expect(walked.folder).toBe('Saltmere');
    expect(walked.files.map(({ path }) => path)).toEqual([
      'a.jpg',
      'b.jpg',
      'c.jpg',
      'evening/a.jpg',
      'evening/deep/z.tif',
    ]);
  });

  it('keeps the names of several folders', async () => {
    const walked = await walk([folder('one', [file('a.jpg')]), folder('two', [file('a.jpg')]), file('b.png')]);
    expect(walked.folder).toBe('');
    expect(walked.files.map(({ path }) => path)).toEqual(['one/a.jpg', 'two/a.jpg', 'b.png']);
  });

  it('leaves out what systems leave behind', () => {
    expect(isLitter('a/Thumbs.db')).toBe(true);
    expect(isLitter('.cache/a.jpg')).toBe(true);
    expect(isLitter('a/notes.jpg')).toBe(false);
  });
});
