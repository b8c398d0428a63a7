import type { UseQueryResult } from '@tanstack/react-query';
import { Button } from 'antd';
import { useNavigate } from 'react-router';
import { Empty, Failed, Loading } from '../../shared/states';

interface Props {
  jobId: string;
  /** The job's originals, which may be on their way or may not come. */
  ofJob: Pick<UseQueryResult, 'isError' | 'error' | 'isSuccess' | 'refetch'>;
  hasTicket: boolean;
  title: string;
}

/** In the place of a page that has no picture to show: not yet, not at all, or none there is. */
export function NoPicture({ jobId, ofJob, hasTicket, title }: Props) {
  const navigate = useNavigate();
  if (ofJob.isError) return <Failed error={ofJob.error} again={() => void ofJob.refetch()} />;
  if (!ofJob.isSuccess || !hasTicket) return <Loading what="the pictures" />;
  return (
    <Empty title={title}>
      <Button onClick={() => void navigate(`/jobs/${jobId}/pile`)}>Go to the pile</Button>
    </Empty>
  );
}
