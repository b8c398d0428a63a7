import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../../api/client';
import { fakeServer, problem } from '../../testing/fakeServer';
import { giveRoom } from '../../testing/room';
import { original } from '../../testing/samples';
import { CarryDrawer } from './CarryDrawer';

const upright = original('upright', { facts: { ...original('x').facts!, width: 4000, height: 6000 } });
const pictures = [original('from'), original('wide'), upright];
const change = (originalId: string): Schemas['CarryChange'] =>
  ({
    originalId,
    before: { realPpi: 480, lostShare: 0, verdict: 'FINE' },
    after: { realPpi: 240, lostShare: 0.25, verdict: 'SOFT' },
    framing: { version: 3, document: { centreX: 0.4 } },
    override: null,
  }) as unknown as Schemas['CarryChange'];

function open(onCarry = vi.fn(), onClose = vi.fn()) {
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <CarryDrawer
        from={pictures[0]!}
        originals={pictures}
        ticketId="ticket"
        isAccepted={(id) => id === 'wide'}
        onClose={onClose}
        onCarry={onCarry}
      />
    </QueryClientProvider>,
  );
  return { onCarry, onClose };
}

beforeEach(() => giveRoom(560, 600));

describe('carrying a framing', () => {
  it('asks nothing and carries nothing while no picture is selected', async () => {
    const server = fakeServer({});
    open();
    expect(await screen.findByText('No picture is selected.')).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Carry to 0 pictures' }).disabled).toBe(true);
    expect(server.asked).toEqual([]);
  });

  it('selects by direction or by what is framed, shows what would change, and carries it as one act', async () => {
    const server = fakeServer({
      'POST /tickets/ticket/carry': async (request) => {
        const { to } = (await request.json()) as { to: string[] };
        return { changes: to.map(change), unchanged: 0 };
      },
    });
    const { onCarry, onClose } = open();
    fireEvent.click(await screen.findByRole('button', { name: 'all wide' }));
    expect(await screen.findByText('480 → 240 ppi, 25 % cut off')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'not framed yet' }));
    await waitFor(() =>
      expect(server.of('POST /tickets/ticket/carry').at(-1)!.body).toEqual({ from: 'from', to: ['upright'], parts: ['PLACE'] }),
    );
    const carry = screen.getByRole<HTMLButtonElement>('button', { name: 'Carry to 1 picture' });
    await waitFor(() => expect(carry.disabled).toBe(false));
    fireEvent.click(carry);
    expect(onCarry).toHaveBeenCalledWith('carried to 1 picture', [
      { originalId: 'upright', framing: { centreX: 0.4 } },
    ]);
    expect(onClose).toHaveBeenCalledOnce();
  });

  it('tells a refusal with its remedy', async () => {
    fakeServer({ 'POST /tickets/ticket/carry': problem(409, 'gone', 'The picture was deleted.', 'Load the page again.') });
    open();
    fireEvent.click(await screen.findByRole('button', { name: 'all' }));
    expect(await screen.findByText(/The picture was deleted/)).toBeTruthy();
  });
});
