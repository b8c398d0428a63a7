import { createContext, useContext } from 'react';
import type { ArrivingFile } from './walkDropped';

/** All that is on its way, of however many folders and jobs. */
export interface Arriving {
  jobIds: ReadonlySet<string>;
  done: number;
  all: number;
}

export interface Intake {
  arriving?: Arriving;
  newJob: (folder: string, files: ArrivingFile[]) => Promise<string>;
  add: (jobId: string, files: ArrivingFile[]) => Promise<void>;
}

export const IntakeContext = createContext<Intake | undefined>(undefined);

export function useIntake(): Intake {
  const intake = useContext(IntakeContext);
  if (!intake) throw new Error('useIntake: expected inside IntakeProvider');
  return intake;
}
