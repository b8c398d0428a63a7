import { Table } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { smallPicture } from '../../api/client';
import { bytes, decimals, pixels } from '../../shared/format';
import { judgedPpi } from '../../shared/ppi';
import { Verdict } from '../../shared/Verdict';
import { colourText, detailSentences, detailText, saidText, stateOf, type Entry } from './pileModel';

interface Props {
  entries: Entry[];
  chosen: Set<string>;
  onChosen: (ids: Set<string>) => void;
}

/** As the server sorts them: numbers as numbers, letters whatever their case. */
const names = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });

const by = (figure: (entry: Entry) => number) => (a: Entry, b: Entry) => figure(a) - figure(b);

/** The pile as a table of facts; its heads sort what is shown. */
export function PictureTable({ entries, chosen, onChosen }: Props) {
  const place = useRef<HTMLDivElement>(null);
  const [height, setHeight] = useState(400);
  useEffect(() => {
    const element = place.current;
    if (!element) return;
    const observer = new ResizeObserver(() => setHeight(element.clientHeight - 40));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return (
    <div ref={place} className="table-place">
      <Table<Entry>
        virtual
        size="small"
        pagination={false}
        scroll={{ y: height, x: 1236 }}
        showSorterTooltip={false}
        dataSource={entries}
        rowKey={({ original }) => original.id}
        rowSelection={{
          selectedRowKeys: [...chosen],
          onChange: (keys) => onChosen(new Set(keys as string[])),
          columnWidth: 44,
        }}
        columns={[
          {
            title: <span className="visually-hidden">Picture</span>,
            key: 'picture',
            width: 56,
            render: (_, { original }) =>
              original.facts && <img className="table-picture" src={smallPicture(original, 384)} alt="" loading="lazy" decoding="async" />,
          },
          {
            title: 'File',
            key: 'path',
            width: 140,
            ellipsis: true,
            sorter: (a, b) => names.compare(a.original.path, b.original.path),
            render: (_, { original }) => original.path,
          },
          {
            title: 'Pixels',
            key: 'pixels',
            width: 105,
            sorter: by(({ original: { facts } }) => (facts ? facts.width * facts.height : 0)),
            render: (_, { original: { facts } }) => (facts ? pixels(facts.width, facts.height) : '—'),
          },
          {
            title: 'Title, creator, taken',
            key: 'said',
            width: 105,
            ellipsis: true,
            render: (_, { original }) => saidText(original) || '—',
          },
          { title: 'Format', key: 'kind', width: 62, render: (_, { original: { facts } }) => facts?.kind ?? '—' },
          {
            title: 'ppi in file',
            key: 'ppi',
            width: 88,
            sorter: by(({ original: { facts } }) => facts?.ppiAcross ?? 0),
            render: (_, { original: { facts } }) => (facts?.ppiAcross ? decimals(facts.ppiAcross, 1) : '—'),
          },
          { title: 'Colour', key: 'colour', width: 100, ellipsis: true, render: (_, { original }) => colourText(original) },
          {
            title: 'Detail',
            key: 'detail',
            width: 85,
            ellipsis: true,
            render: (_, { original }) => <span title={detailSentences(original)}>{detailText(original) || '—'}</span>,
          },
          {
            title: 'Uncompressed',
            key: 'weight',
            width: 132,
            sorter: by(({ original: { facts } }) => facts?.unpackedBytes ?? 0),
            render: (_, { original: { facts } }) => (facts ? bytes(facts.unpackedBytes) : '—'),
          },
          {
            title: 'Output',
            key: 'leaves',
            width: 105,
            render: (_, { estimate }) => (estimate && estimate.width > 0 ? pixels(estimate.width, estimate.height) : '—'),
          },
          {
            title: 'State',
            key: 'standing',
            ellipsis: true,
            sorter: by(({ estimate }) => (estimate ? judgedPpi(estimate) : 0)),
            render: (_, entry) => {
              const { level, text } = stateOf(entry);
              return <Verdict level={level} text={entry.original.problem?.text ?? text} plain />;
            },
          },
        ]}
      />
    </div>
  );
}
