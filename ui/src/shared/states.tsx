import { Button, Spin } from 'antd';
import type { ReactNode } from 'react';
import { Problem } from '../api/problems';
import './states.css';

export function Loading({ what }: { what: string }) {
  return (
    <div className="state" role="status">
      <Spin /> <span className="quiet">Fetching {what}…</span>
    </div>
  );
}

export function Failed({ error, again }: { error: unknown; again?: () => void }) {
  const problem = Problem.from(error);
  return (
    <div className="state state-failed card" role="alert">
      <p>
        <strong>{problem.message}</strong>
      </p>
      <p className="quiet">{problem.remedy}</p>
      {again && <Button onClick={again}>Try again</Button>}
    </div>
  );
}

export function Empty({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="state">
      <p>
        <strong>{title}</strong>
      </p>
      {children}
    </div>
  );
}
