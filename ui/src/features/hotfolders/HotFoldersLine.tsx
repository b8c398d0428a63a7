import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { count, time } from '../../shared/format';
import { hotFoldersQuery, type HotFile, type HotFolder } from './queries';

/** All hot folders in a line: how many are on, what is in the way, and the last file's fate. Nothing where there is none. */
export function HotFoldersLine() {
  const folders = useQuery(hotFoldersQuery()).data ?? [];
  if (folders.length === 0) return null;
  const on = folders.filter(({ isOn }) => isOn).length;
  const stuck = folders.filter(({ trouble }) => trouble);
  return (
    <p>
      <Link to="/hot-folders">Hot folders</Link> {on} of {folders.length} on
      {stuck.length > 0 && `, ■ ${count(stuck.length, 'needs you', 'need you')}: ${stuck[0]!.name}`}
      {lastWords(folders)}
    </p>
  );
}

function lastWords(folders: HotFolder[]): string {
  const files = folders.flatMap((folder) => folder.files).filter((file): file is HotFile & { settledAt: string } => file.settledAt !== null);
  const last = files.sort((a, b) => b.settledAt.localeCompare(a.settledAt))[0];
  return last ? `; last ${last.path}, ${last.fate === 'FAILED' ? '■ failed' : 'printed'} ${time(last.settledAt)}` : '';
}
