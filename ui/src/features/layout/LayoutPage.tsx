import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { App, Button } from 'antd';
import { useEffect, useState } from 'react';
import { useParams } from 'react-router';
import { answer, api } from '../../api/client';
import { Problem } from '../../api/problems';
import { count, decimals } from '../../shared/format';
import { LinkButton } from '../../shared/LinkButton';
import { saveFile } from '../../shared/saveFile';
import { Failed, Loading } from '../../shared/states';
import { useKeys } from '../../shared/useKeys';
import { useRuns } from '../run';
import { Papers } from './Papers';
import { PaperWishes } from './PaperWishes';
import { PrintOnRoll } from './PrintOnRoll';
import { keepWish, keptWish, moved, type ByHand, type Layout, type Wish } from './wish';
import './layout.css';

/** A delivery's pieces laid together on a roll or on cut sheets: looked at, moved by hand, and taken as PDF. */
export function LayoutPage() {
  const { jobId = '', runId = '' } = useParams();
  return <OneLayout key={runId} jobId={jobId} runId={runId} />;
}

function OneLayout({ jobId, runId }: { jobId: string; runId: string }) {
  const runs = useRuns(jobId).data ?? [];
  const [wish, setWish] = useState(() => keptWish(runId));
  const [before, setBefore] = useState<Wish[]>([]);
  useEffect(() => keepWish(runId, wish), [runId, wish]);
  const layout = useQuery({
    queryKey: ['layout', wish],
    queryFn: () => answer(api.POST('/api/v1/layouts', { body: wish })),
    placeholderData: keepPreviousData,
  });
  const change = (next: Wish) => {
    setBefore([...before, wish]);
    setWish(next);
  };
  const undo = () => {
    const last = before.at(-1);
    if (!last) return;
    setBefore(before.slice(0, -1));
    setWish(last);
  };
  useKeys((event) => {
    if ((event.ctrlKey || event.metaKey) && event.key === 'z') {
      event.preventDefault();
      undo();
    }
  });
  const { data } = layout;
  return (
    <main className="shell-body layout">
      <section className="card layout-wish" aria-label="How they are laid">
        <h1>Arrange on paper</h1>
        <PaperWishes wish={wish} runs={runs.filter(({ counts }) => counts.checked > 0)} onChange={change} />
        <div className="layout-buttons">
          <Button disabled={before.length === 0} onClick={undo}>
            Undo
          </Button>
          <Button disabled={wish.byHand.length === 0} onClick={() => change({ ...wish, byHand: [] })}>
            Arrange again
          </Button>
          <LinkButton to={`/jobs/${jobId}/delivery/${runId}`}>Back to the delivery</LinkButton>
        </div>
        {data && data.refused.length > 0 && <Refused problems={data.refused} />}
      </section>
      <section className="card layout-paper" aria-label="The paper">
        {layout.isPending && <Loading what="the paper" />}
        {layout.isError && <Failed error={layout.error} again={() => void layout.refetch()} />}
        {data && !layout.isError && (
          <>
            <Figures layout={data} wish={wish} isOld={layout.isPlaceholderData} />
            {data.wrong.map(({ subject, text, remedy }, i) => (
              <p className="layout-wrong" role="alert" key={`${subject}${i}`}>
                ■ {text} {remedy}
              </p>
            ))}
            <Papers layout={data} margin={wish.margin} onMove={(hand: ByHand) => change(moved(wish, hand))} />
          </>
        )}
      </section>
    </main>
  );
}

function Figures({ layout, wish, isOld }: { layout: Layout; wish: Wish; isOld: boolean }) {
  const { message } = App.useApp();
  const [isMaking, setIsMaking] = useState(false);
  const pieces = layout.pages.reduce((sum, page) => sum + page.laid.length, 0);
  const cannot = pieces === 0 || layout.wrong.length > 0 || isOld;
  const save = async () => {
    setIsMaking(true);
    try {
      const pdf = await answer(api.POST('/api/v1/layouts/pdf', { body: wish, parseAs: 'blob' }));
      saveFile(pdf as unknown as Blob, `${wish.height == null ? 'roll' : 'sheets'} ${decimals(wish.width, 0)} mm.pdf`);
    } catch (error) {
      const { message: text, remedy } = Problem.from(error);
      void message.error(`${text} ${remedy}`, 8);
    } finally {
      setIsMaking(false);
    }
  };
  return (
    <div className="layout-figures">
      <p role="status">
        <span>
          <b>{pieces}</b> {pieces === 1 ? 'piece' : 'pieces'}
        </span>
        {wish.height == null ? (
          <span>
            <b>{decimals(layout.length / 1000, 2)} m</b> of the roll
          </span>
        ) : (
          <span>
            <b>{layout.pages.length}</b> {layout.pages.length === 1 ? 'sheet' : 'sheets'}
          </span>
        )}
        <span>
          <b>{decimals(layout.wastePercent, 1)} %</b> of the paper stays bare
        </span>
        {layout.cost != null && (
          <span>
            <b>{decimals(layout.cost, 2)}</b> for the paper
          </span>
        )}
      </p>
      <span className="layout-takes">
        <Button loading={isMaking} disabled={cannot} onClick={() => void save()}>
          Save as PDF
        </Button>
        {wish.height == null && <PrintOnRoll wish={wish} length={layout.length} disabled={cannot} />}
      </span>
    </div>
  );
}

const SHOWN = 6;

function Refused({ problems }: { problems: Layout['refused'] }) {
  return (
    <div className="layout-refused" role="alert">
      <strong>{count(problems.length, 'piece')} not laid</strong>
      <ul>
        {problems.slice(0, SHOWN).map(({ subject, text, remedy }, i) => (
          <li key={`${subject}${i}`}>
            {text} {remedy}
          </li>
        ))}
      </ul>
      {problems.length > SHOWN && <p className="quiet">And {problems.length - SHOWN} more.</p>}
    </div>
  );
}
