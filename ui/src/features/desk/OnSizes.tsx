import { useQuery } from '@tanstack/react-query';
import { Select } from 'antd';
import { useState } from 'react';
import { decimals } from '../../shared/format';
import { Verdict } from '../../shared/Verdict';
import { jobsQuery } from '../jobs';
import { gradesQuery, pileGradesQuery } from './queries';

/** What these pixels, or a job's pile, give on every saved size. */
export function OnSizes({ width, height }: { width: number; height: number }) {
  const [jobId, setJobId] = useState<string>();
  const jobs = useQuery(jobsQuery()).data ?? [];
  const grades = useQuery(gradesQuery(width, height)).data ?? [];
  const pile = useQuery(pileGradesQuery(jobId)).data;
  return (
    <section className="card desk-part" aria-label="On saved sizes">
      <div className="desk-head">
        <h2>On saved sizes</h2>
        <Select
          aria-label="Pictures"
          style={{ minWidth: 220 }}
          value={jobId ?? ''}
          onChange={(id) => setJobId(id === '' ? undefined : id)}
          options={[
            { value: '', label: `${width} × ${height} px` },
            ...jobs.map(({ id, name }) => ({ value: id, label: `the pile of ${name}` })),
          ]}
        />
      </div>
      {grades.length === 0 && (
        <p className="quiet">No size is saved yet: open the ticket of a job and choose “Save for other jobs”.</p>
      )}
      <table>
        <tbody>
          {jobId && pile
            ? pile.map(({ keptId, name, fine, soft, poor, refused }) => (
                <tr key={keptId}>
                  <th scope="row">{name}</th>
                  <td colSpan={3} className="desk-counts">
                    {fine > 0 && <Verdict level="FINE" text={`${fine} fine`} />}{' '}
                    {soft > 0 && <Verdict level="SOFT" text={`${soft} soft`} />}{' '}
                    {poor > 0 && <Verdict level="POOR" text={`${poor} poor`} />}{' '}
                    {refused > 0 && <span className="quiet">{refused} cannot be made</span>}
                  </td>
                </tr>
              ))
            : grades.map(({ keptId, name, realPpi, verdict, problem, ...made }) => (
                <tr key={keptId}>
                  <th scope="row">{name}</th>
                  {verdict ? (
                    <>
                      <td>
                        {made.width} × {made.height} px
                      </td>
                      <td>{decimals(realPpi, 0)} ppi real</td>
                      <td>
                        <Verdict level={verdict} />
                      </td>
                    </>
                  ) : (
                    <td colSpan={3}>■ {problem?.text}</td>
                  )}
                </tr>
              ))}
        </tbody>
      </table>
    </section>
  );
}
