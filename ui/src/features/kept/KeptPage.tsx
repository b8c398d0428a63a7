import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import type { ReactNode } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { fileAsItIs } from '../../api/files';
import { Failed, Loading } from '../../shared/states';
import { keptQuery, type Kept, type KeptKind } from './queries';
import { ShelfOf } from './ShelfOf';

interface Props {
  kind: KeptKind;
  title: string;
  called: string;
  empty: { title: string; words: ReactNode };
  words: (kept: Kept) => ReactNode;
  actions?: ReactNode;
  /** Opens one to be changed. */
  onOpen?: (kept: Kept) => void;
}

/** All that is kept of one kind. */
export function KeptPage({ kind, title, called, empty, words, actions, onOpen }: Props) {
  const kept = useQuery(keptQuery(kind));
  const queries = useQueryClient();
  if (kept.isPending) return <Loading what={title.toLowerCase()} />;
  if (kept.isError) return <Failed error={kept.error} again={() => void kept.refetch()} />;
  return (
    <ShelfOf
      title={title}
      called={called}
      empty={empty}
      actions={actions}
      deleting="Tickets that took it keep what they have."
      onChanged={() => void queries.invalidateQueries({ queryKey: ['kept'] })}
      add={(file) => answer(api.POST('/api/v1/kept/file', fileAsItIs<Schemas['KeptFileView']>(file)))}
      things={kept.data.map((one) => ({
        id: one.id,
        name: one.name,
        words: words(one),
        file: `/api/v1/kept/${one.id}/file`,
        more: onOpen && (
          <Button type="text" onClick={() => onOpen(one)}>
            Change
          </Button>
        ),
        rename: (name) =>
          answer(
            api.PUT('/api/v1/kept/{id}', {
              params: { path: { id: one.id }, header: { 'If-Match': `"${one.version}"` } },
              body: { name, document: one.document },
            }),
          ),
        copy: (name) => answer(api.POST('/api/v1/kept', { body: { name, document: one.document } })),
        remove: () => answer(api.DELETE('/api/v1/kept/{id}', { params: { path: { id: one.id } } })),
      }))}
    />
  );
}
