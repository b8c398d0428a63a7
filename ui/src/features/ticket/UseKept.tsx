import { useMutation } from '@tanstack/react-query';
import { App, Button, Dropdown } from 'antd';
import { Problem } from '../../api/problems';
import { laidOver, useKept } from '../kept';
import { useSavedTickets } from '../savedtickets';
import type { TicketDocument } from './queries';

interface Props {
  document: TicketDocument;
  onChange: (part: Partial<TicketDocument>) => void;
}

/** Lays something saved over this ticket: a whole ticket, a size, a name pattern, a product. */
export function UseKept({ document, onChange }: Props) {
  const { message } = App.useApp();
  const tickets = useSavedTickets();
  const sizes = useKept('SIZE');
  const names = useKept('NAMES');
  const products = useKept('PRODUCT');
  const lay = useMutation({
    mutationFn: (id: string) => laidOver(id, document),
    onSuccess: onChange,
    onError: (error) => void message.error(`${Problem.from(error).message} ${Problem.from(error).remedy}`),
  });
  const group = (label: string, all: { id: string; name: string }[], onUse: (id: string) => void) =>
    all.length === 0
      ? []
      : [
          {
            type: 'group' as const,
            key: label,
            label,
            children: all.map(({ id, name }) => ({ key: id, label: name, onClick: () => onUse(id) })),
          },
        ];
  const items = [
    ...group('Saved tickets', tickets, (id) => {
      const kept = tickets.find((one) => one.id === id);
      if (kept) onChange({ ...kept.document, name: document.name, folder: document.folder });
    }),
    ...group('Saved sizes', sizes, (id) => lay.mutate(id)),
    ...group('Name patterns', names, (id) => lay.mutate(id)),
    ...group('Made for a product', products, (id) => lay.mutate(id)),
  ];
  if (items.length === 0) return null;
  return (
    <Dropdown trigger={['click']} menu={{ items, style: { maxHeight: 420, overflowY: 'auto' } }}>
      <Button type="text" size="small" loading={lay.isPending}>
        Use something saved
      </Button>
    </Dropdown>
  );
}
