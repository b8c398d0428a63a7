import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { App, Button, Input, Select, Table } from 'antd';
import { useState, type ReactNode } from 'react';
import { useNavigate, useParams } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { Problem } from '../../api/problems';
import { bytes, count, day, decimals, listed, pixels, time } from '../../shared/format';
import { Empty, Failed, Loading } from '../../shared/states';
import { Verdict } from '../../shared/Verdict';
import { foldersOf, useRuns } from '../run';
import { useActiveTicket } from '../ticket';
import { useSmallPictures } from '../originals';
import { AllRuns } from './AllRuns';
import { Larger } from './Larger';
import '../../shared/verdict.css';
import './delivery.css';

type DeliveredPiece = Schemas['DeliveredPiece'];

const onDiskWords: Record<NonNullable<DeliveredPiece['onDisk']>, string> = {
  PRESENT: 'present',
  MISSING: 'missing',
  CHANGED: 'changed',
};

const isLost = ({ onDisk }: DeliveredPiece) => onDisk === 'MISSING' || onDisk === 'CHANGED';

/** Where a run's pieces are, what is in it, and each piece with its original. */
export function DeliveryPage() {
  const { jobId = '', runId } = useParams();
  const runs = useRuns(jobId);
  const small = useSmallPictures(jobId);
  const navigate = useNavigate();
  const delivered = runs.data?.filter((run) => run.counts.checked > 0) ?? [];
  const shownId = runId ?? delivered[0]?.id;
  const shown = runs.data?.find((run) => run.id === shownId);
  const delivery = useQuery({
    // Looked at once more when the run has come to its end, not at each of its pieces.
    queryKey: ['delivery', shownId, shown?.finishedAt],
    enabled: shownId !== undefined,
    queryFn: () => answer(api.GET('/api/v1/runs/{runId}/delivery', { params: { path: { runId: shownId! } } })),
  });
  const unit = useActiveTicket(jobId)?.document.unit ?? 'IN';
  const [wanted, setWanted] = useState('');
  const { message } = App.useApp();
  const queries = useQueryClient();
  const again = useMutation({
    mutationFn: (pieceIds: string[]) =>
      answer(api.POST('/api/v1/runs/{id}/retry', { params: { path: { id: shownId! } }, body: { pieceIds } })),
    onSuccess: () => void navigate(`/jobs/${jobId}/run/${shownId}`),
    onError: (error) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`),
    onSettled: () => queries.invalidateQueries({ queryKey: ['delivery', shownId] }),
  });

  if (runs.isPending) return <Loading what="the deliveries" />;
  if (runs.isError) return <Failed error={runs.error} again={() => void runs.refetch()} />;
  if (!shownId) {
    return (
      <Empty title="Nothing has been delivered yet">
        <p className="quiet">A run leaves its checked files in a new folder; its list is shown here.</p>
        <Button type="primary" onClick={() => void navigate(`/jobs/${jobId}/ticket`)}>
          Go to the ticket
        </Button>
      </Empty>
    );
  }
  if (delivery.isError) return <Failed error={delivery.error} again={() => void delivery.refetch()} />;
  if (!delivery.data) return <Loading what="the delivery" />;

  const { data } = delivery;
  const checked = data.pieces.filter((piece) => piece.state === 'CHECKED');
  const lost = checked.filter(isLost);
  const weight = checked.reduce((sum, piece) => sum + (piece.fileBytes ?? 0), 0);
  const ticketNames = new Map(data.orders.map(({ id, ticketName }) => [id, ticketName]));
  const shownPieces = data.pieces.filter((piece) =>
    `${piece.name} ${piece.originalPath} ${ticketNames.get(piece.orderId)}`.toLowerCase().includes(wanted.toLowerCase()),
  );
  const base = `/api/v1/runs/${data.runId}`;
  /** Looks first whether all is still there: what the server would refuse is told here, not on an empty page. */
  const download = async (file: string) => {
    const { data: now, error } = await delivery.refetch();
    if (!now) void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`);
    else if (!now.pieces.some(isLost)) window.location.assign(`${base}/${file}`);
  };
  const copy = async (place: string) => {
    try {
      await navigator.clipboard.writeText(place);
      void message.success('The folder’s path was copied.');
    } catch {
      void message.warning('The browser does not let it be copied: select the path and copy it by hand.');
    }
  };
  return (
    <main className="shell-body delivery">
      <section className="card delivery-head" aria-label="Delivery">
        <div className="delivery-title">
          <h1>{listed(data.orders.map(({ ticketName }) => ticketName))}</h1>
          {delivered.length > 1 && (
            <Select
              aria-label="Delivery"
              value={shownId}
              popupMatchSelectWidth={false}
              onChange={(id) => void navigate(`/jobs/${jobId}/delivery/${id}`)}
              options={delivered.map((run) => ({
                value: run.id,
                label: `${foldersOf(run)}, ${day(run.startedAt)} ${time(run.startedAt)}`,
              }))}
            />
          )}
        </div>
        <div className="delivery-buttons">
          <Group name="get">
            {lost.length === 0 ? (
              <Button type="primary" onClick={() => void download('delivery.zip')}>
                Download all as ZIP
              </Button>
            ) : checked.length === lost.length ? null : (
              <Button href={`${base}/delivery.zip?of=PRESENT`}>ZIP of the {checked.length - lost.length} that are there</Button>
            )}
            {lost.length === 0 && data.orders.length === 1 && data.isForBooks && <Button onClick={() => void download('delivery.pdf')}>PDF book</Button>}
          </Group>
          <Group name="papers">
            <Button href={`${base}/contact-sheet.pdf`}>Contact sheet</Button>
            <Button href={`${base}/certificate.json`}>Certificate</Button>
            <Button href={`${base}/delivery.csv`}>List as CSV</Button>
            <Button href={`${base}/delivery`} target="_blank">
              List as JSON
            </Button>
          </Group>
          <Group name="send on">
            {data.isForBooks && <Button onClick={() => void navigate(`/jobs/${jobId}/layout/${shownId}`)}>Arrange on paper</Button>}
            <Button onClick={() => void navigate(`/jobs/${jobId}/counter/${shownId}`)}>Order at the counter</Button>
          </Group>
        </div>
        {data.orders.map((order) => (
          <p className="place" key={order.id}>
            {data.orders.length > 1 && <strong>{order.ticketName}</strong>}
            <code>{order.place}</code>
            <Button size="small" onClick={() => void copy(order.place)}>
              Copy the folder’s path
            </Button>
            {lost.length === 0 && order.isForBooks && data.orders.length > 1 && (
              <Button size="small" onClick={() => void download(`delivery.pdf?order=${order.id}`)}>
                PDF book
              </Button>
            )}
          </p>
        ))}
        <p className="quiet">
          {count(checked.length, 'checked file')} of {data.pieces.length} · {bytes(weight)} · begun {day(data.startedAt)}{' '}
          {time(data.startedAt)}
          {data.finishedAt && `, checked ${time(data.finishedAt)}`}
        </p>
      </section>
      {lost.length > 0 && shown?.clearedAt && (
        <div className="delivery-cleared" role="status">
          <p>
            Its files were cleared on {day(shown.clearedAt)} to make room. The list and the certificate stay, and its pieces can be made again.
          </p>
          <Button loading={again.isPending} onClick={() => again.mutate(lost.map((piece) => piece.pieceId))}>
            Make them again
          </Button>
        </div>
      )}
      {lost.length > 0 && !shown?.clearedAt && (
        <div className="delivery-lost" role="alert">
          <p>
            <strong>
              {count(lost.length, 'piece')} {lost.length === 1 ? 'is' : 'are'} no longer in the folder as checked.
            </strong>{' '}
            {lost
              .slice(0, 3)
              .map((piece) => `${piece.name} is ${onDiskWords[piece.onDisk!]}`)
              .join(', ')}
            {lost.length > 3 && ` and ${lost.length - 3} more`}. Making a changed one again keeps the changed file under another name.
          </p>
          <Button
            type="primary"
            loading={again.isPending}
            onClick={() => again.mutate(lost.map((piece) => piece.pieceId))}
          >
            Make {lost.length === 1 ? 'it' : 'them'} again
          </Button>
        </div>
      )}
      <Input
        allowClear
        className="delivery-find"
        placeholder="Find by piece or by original"
        aria-label="Find by piece or by original"
        value={wanted}
        onChange={(event) => setWanted(event.target.value)}
      />
      <Table<DeliveredPiece>
        virtual
        size="small"
        pagination={false}
        scroll={{ y: 470, x: 1155 }}
        dataSource={shownPieces}
        rowKey="pieceId"
        columns={[
          {
            title: 'Piece',
            key: 'name',
            width: 260,
            ellipsis: true,
            sorter: (a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }),
            render: (_, piece) =>
              piece.onDisk === 'PRESENT' ? <a href={`/api/v1/pieces/${piece.pieceId}/file`}>{piece.name}</a> : piece.name,
          },
          {
            title: 'Made from',
            key: 'original',
            width: 240,
            ellipsis: true,
            sorter: (a, b) => a.originalPath.localeCompare(b.originalPath, 'en', { numeric: true }),
            render: (_, piece) => (
              <span className="from">
                {piece.width > 0 ? (
                  <img src={small(piece.originalId)} alt="" loading="lazy" />
                ) : (
                  <span className="from-none" aria-hidden="true" />
                )}
                {piece.originalPath}
              </span>
            ),
          },
          ...(data.orders.length > 1
            ? [
                {
                  title: 'Ticket',
                  key: 'ticket',
                  width: 150,
                  ellipsis: true,
                  render: (_: unknown, piece: DeliveredPiece) => ticketNames.get(piece.orderId),
                },
              ]
            : []),
          {
            title: 'Pixels',
            key: 'pixels',
            width: 120,
            render: (_, piece) => (piece.width > 0 ? pixels(piece.width, piece.height) : '—'),
          },
          { title: 'ppi', dataIndex: 'ppi', key: 'ppi', width: 70 },
          { title: 'Copies', dataIndex: 'copies', key: 'copies', width: 75 },
          {
            title: 'File',
            key: 'bytes',
            width: 90,
            render: (_, piece) => (piece.fileBytes ? bytes(piece.fileBytes) : '—'),
          },
          {
            title: 'Check',
            key: 'check',
            ellipsis: true,
            render: (_, piece) =>
              piece.onDisk === 'MISSING' || piece.onDisk === 'CHANGED' ? (
                <Verdict level="POOR" text={`checked, then ${onDiskWords[piece.onDisk]} in the folder`} plain />
              ) : piece.state === 'CHECKED' ? (
                <>
                  <Verdict level={piece.haloNoticed ? 'SOFT' : 'FINE'} text="as planned" plain />
                  {piece.jpegQuality != null && <span className="quiet">, quality {piece.jpegQuality}</span>}
                  {piece.haloPercent != null && (
                    <span className={piece.haloNoticed ? 'halo-noticed' : 'quiet'}>
                      , halo {decimals(piece.haloPercent, 0)} %{piece.haloNoticed && ', visible halos'}
                    </span>
                  )}
                </>
              ) : (
                <Verdict level="POOR" text={piece.problem ?? piece.state.toLowerCase()} plain />
              ),
          },
          {
            title: 'Again',
            key: 'larger',
            width: 80,
            render: (_, piece) => piece.state === 'CHECKED' && piece.ppi > 0 && <Larger piece={piece} unit={unit} />,
          },
        ]}
      />
      <AllRuns
        jobId={jobId}
        runs={runs.data}
        onDeleted={(gone) => gone.id === shownId && void navigate(`/jobs/${jobId}/delivery`, { replace: true })}
      />
    </main>
  );
}

/** What can be done with a delivery, by what it is for. */
function Group({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div role="group" aria-label={name} className="delivery-group">
      <span className="quiet">{name}</span>
      {children}
    </div>
  );
}
