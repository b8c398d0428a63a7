import { useMutation, useQueryClient } from '@tanstack/react-query';
import { App, Button, Radio, Space } from 'antd';
import { useState } from 'react';
import { Problem } from '../../api/problems';
import { FormPopover } from '../../shared/FormPopover';
import { NameField } from '../../shared/NameField';
import { keep, type KeptDocument } from '../kept';
import { saveTicket } from '../savedtickets';
import type { TicketDocument } from './queries';
import { sizeWords } from './words';

type Part = 'ticket' | 'size' | 'names';

const partWords: Record<Part, string> = {
  ticket: 'the whole ticket',
  size: 'its size, with ppi, edges, sharpening, colours and file',
  names: 'how its files are named',
};

/** Of each kind the first version. */
const VERSION = 1;

function partOf(document: TicketDocument, part: 'size' | 'names'): KeptDocument {
  const { names, letters, subfolders } = document;
  if (part === 'names') {
    return { kind: 'names', schemaVersion: VERSION, names, letters: letters ?? 'AS_IT_IS', subfolders: subfolders ?? 'FLATTENED' };
  }
  const { unit, size, turn, fit, edges, ppi, viewing, sharpening, colour, rounding, file } = document;
  return { kind: 'size', schemaVersion: VERSION, unit, size, turn, fit, edges, ppi, viewing, sharpening, colour, rounding, file };
}

/** Saves this ticket, or a part of it, for other jobs. */
export function SaveFor({ document }: { document: TicketDocument }) {
  const [part, setPart] = useState<Part>('ticket');
  const [open, setOpen] = useState(false);
  const queries = useQueryClient();
  const { message } = App.useApp();
  const save = useMutation({
    mutationFn: (name: string): Promise<{ name: string }> =>
      part === 'ticket' ? saveTicket(queries, name, document) : keep(queries, name, partOf(document, part)),
    onSuccess: ({ name }) => {
      setOpen(false);
      void message.success(`Saved as “${name}”. Other jobs can use it.`);
    },
    onError: (error) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`),
  });
  return (
    <FormPopover
      label="Save for other jobs"
      open={open}
      onOpenChange={setOpen}
      content={
        <Space orientation="vertical">
          <Radio.Group aria-label="What is saved" value={part} onChange={({ target }) => setPart(target.value as Part)}>
            <Space orientation="vertical" size={4}>
              {Object.entries(partWords).map(([value, words]) => (
                <Radio key={value} value={value}>
                  {words}
                </Radio>
              ))}
            </Space>
          </Radio.Group>
          <NameField
            key={part}
            label="name to save it under"
            value={part === 'size' ? sizeWords(document.size) : document.name}
            onKeep={(name) => save.mutate(name)}
          />
        </Space>
      }
    >
      <Button type="text" size="small" loading={save.isPending}>
        Save for other jobs
      </Button>
    </FormPopover>
  );
}
