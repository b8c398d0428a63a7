import { useQuery } from '@tanstack/react-query';
import { Button, Drawer } from 'antd';
import { useState, type ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { bytes, count } from '../../shared/format';
import { Empty, Failed, Loading } from '../../shared/states';
import { listingQuery, placeWords, rootsQuery } from './queries';
import './folders.css';

interface Place {
  root: string;
  path: string;
}

interface Props {
  title: string;
  /** What the button says of the folder that is looked at. */
  okWords: (listing: Schemas['FolderListing']) => string;
  children?: ReactNode;
  onChoose: (root: string, path: string) => void;
  onClose: () => void;
}

/** Walks through the folders that the server allows, one level at a time. */
export function FolderChooser({ title, okWords, children, onChoose, onClose }: Props) {
  const roots = useQuery(rootsQuery());
  const [at, setAt] = useState<Place>();
  const listing = useQuery({ ...listingQuery(at?.root ?? '', at?.path ?? ''), enabled: at !== undefined });
  const found = at && listing.data;

  return (
    <Drawer
      open
      onClose={onClose}
      size={520}
      title={title}
      footer={
        <div className="folder-foot">
          <span role="status">{found && filesWords(found)}</span>
          <Button type="primary" disabled={!found} onClick={() => at && found && onChoose(at.root, found.path)}>
            {found ? okWords(found) : 'Choose a folder'}
          </Button>
        </div>
      }
    >
      {children}
      {at && (
        <nav className="folder-way" aria-label="Where you are">
          {steps(at).map(({ name, to }, index, all) =>
            index === all.length - 1 ? (
              <strong key={name}>{name}</strong>
            ) : (
              <Button key={name} type="link" size="small" onClick={() => setAt(to)}>
                {name}
              </Button>
            ),
          )}
        </nav>
      )}
      {at ? (
        <Below place={at} query={listing} onOpen={(path) => setAt({ root: at.root, path })} />
      ) : (
        <Roots query={roots} onOpen={(root) => setAt({ root, path: '' })} />
      )}
    </Drawer>
  );
}

function filesWords({ files, bytes: weight }: Schemas['FolderListing']): string {
  return files === 0 ? 'no file in the folder itself' : `${count(files, 'file')} in the folder itself, ${bytes(weight)}`;
}

/** From all roots down to the place. */
function steps({ root, path }: Place): { name: string; to: Place | undefined }[] {
  const parts = path === '' ? [] : path.split('/');
  return [
    { name: 'all folders', to: undefined },
    { name: root, to: { root, path: '' } },
    ...parts.map((name, index) => ({ name, to: { root, path: parts.slice(0, index + 1).join('/') } })),
  ];
}

function Roots({ query, onOpen }: { query: ReturnType<typeof useQuery<Schemas['RootView'][]>>; onOpen: (root: string) => void }) {
  if (query.isPending) return <Loading what="the folders" />;
  if (query.isError) return <Failed error={query.error} again={() => void query.refetch()} />;
  if (query.data.length === 0) {
    return (
      <Empty title="This server allows no folder">
        <p className="quiet">An administrator must add folders in EMBRICK_ROOTS and restart Embrick.</p>
      </Empty>
    );
  }
  return (
    <ul className="folder-list">
      {query.data.map(({ name, place, isThere }) => (
        <li key={name}>
          <button type="button" className="folder-row" onClick={() => onOpen(name)}>
            <strong>{name}</strong>
            <span className="quiet">{isThere ? place : `${place}: empty, or its disk is away`}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

interface BelowProps {
  place: Place;
  query: ReturnType<typeof useQuery<Schemas['FolderListing']>>;
  onOpen: (path: string) => void;
}

function Below({ place, query, onOpen }: BelowProps) {
  if (query.isPending) return <Loading what={placeWords(place.root, place.path)} />;
  if (query.isError) return <Failed error={query.error} again={() => void query.refetch()} />;
  if (query.data.folders.length === 0) return <p className="quiet">It has no subfolder.</p>;
  return (
    <ul className="folder-list">
      {query.data.folders.map((name) => (
        <li key={name}>
          <button
            type="button"
            className="folder-row"
            onClick={() => onOpen(query.data.path === '' ? name : `${query.data.path}/${name}`)}
          >
            <strong>{name}</strong>
          </button>
        </li>
      ))}
    </ul>
  );
}
