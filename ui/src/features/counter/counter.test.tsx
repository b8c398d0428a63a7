import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { fakeServer } from '../../testing/fakeServer';
import { openPage } from '../../testing/openPage';
import { jobAnswers, original } from '../../testing/samples';
import { mends } from './refusals';

const PAGE = '/jobs/job/counter/run';

const counter = {
  state: 'OPEN',
  lab: 'Saltmere Print Counter',
  currency: 'shillings',
  products: [
    { id: 'print', name: 'Print 8 × 10 in', price: 3.2, priceOfMore: 1.1 },
    { id: 'rag', name: 'Print 16 × 20 in', price: 24, priceOfMore: 19 },
  ],
};
const tooCoarse = { rule: 'PPI', asked: '200 to 400 ppi', has: '100 ppi' };
const checked = (name: string, refusals: object[] = []) => ({
  pieceId: name,
  orderId: 'order',
  originalId: name,
  ticketId: 'ticket',
  name,
  copies: 1,
  product: 'print',
  price: 3.2,
  refusals,
});
const check = {
  tickets: [{ orderId: 'order', ticketName: 'Prints', pieces: 2, product: 'print' }],
  pieces: [checked('a.jpg'), checked('b.jpg', [tooCoarse])],
};
const piece = (number: number, state: string, more: object = {}) => ({
  number,
  pieceId: `p${number}`,
  originalId: `o${number}`,
  ticketId: 'ticket',
  name: `${number}.jpg`,
  productName: 'Print 8 × 10 in',
  copies: 1,
  fileBytes: 100,
  sentBytes: 43,
  state,
  refusals: [],
  ...more,
});
const order = (state: string, pieces: object[], more: object = {}) => ({
  id: 'o',
  runId: 'run',
  jobId: 'job',
  reference: 'Kite days',
  state,
  price: 6.4,
  currency: 'shillings',
  trouble: null,
  createdAt: '2026-11-30T10:00:00Z',
  changedAt: '2026-11-30T10:00:00Z',
  pieces,
  ...more,
});
const answers = (orders: object[]) => ({
  ...jobAnswers(original('a')),
  'GET /counter': counter,
  'GET /runs/run/counter-orders': orders,
  'POST /runs/run/counter-orders/check': check,
});

describe('the counter', () => {
  it('orders what it takes, for its price, and once for one click', async () => {
    const server = fakeServer({ ...answers([]), 'POST /runs/run/counter-orders': order('WAITING', [piece(1, 'AWAITED')]) });
    openPage(PAGE);
    expect(await screen.findByText(/1 piece would be refused/)).toBeTruthy();
    expect(screen.getByText('Resolution: asked for 200 to 400 ppi; this piece has 100 ppi.')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Order 1 piece for 3.20 shillings' }));
    await waitFor(() => expect(server.of('POST /runs/run/counter-orders')).toHaveLength(1));
    expect(server.of('POST /runs/run/counter-orders')[0]!.body).toMatchObject({ pieces: ['a.jpg'] });
  });

  it('sends what would be refused only if somebody says so', async () => {
    const server = fakeServer({ ...answers([]), 'POST /runs/run/counter-orders': order('WAITING', []) });
    openPage(PAGE);
    fireEvent.click(await screen.findByRole('checkbox', { name: 'Send them all the same' }));
    fireEvent.click(screen.getByRole('button', { name: /^Order 2 pieces for 6.40/ }));
    await waitFor(() =>
      expect(server.of('POST /runs/run/counter-orders')[0]?.body).toMatchObject({ pieces: ['a.jpg', 'b.jpg'] }),
    );
  });

  it('shows how far each piece is and what is in the way', async () => {
    fakeServer(answers([order('RECEIVING', [piece(1, 'AWAITED'), piece(2, 'RECEIVED')], { trouble: 'The line broke.' })]));
    openPage(PAGE);
    expect(await screen.findByText('being sent')).toBeTruthy();
    expect(screen.getByText('43 % sent')).toBeTruthy();
    expect(screen.getByText('sent, to be looked at')).toBeTruthy();
    expect(screen.getByText('The line broke.')).toBeTruthy();
  });

  it('tells each refusal with the phrase that mends it, and sends what was made anew', async () => {
    const refused = [piece(1, 'REFUSED', { refusals: [tooCoarse] }), piece(2, 'REFUSED', { refusals: [tooCoarse] })];
    const server = fakeServer(answers([order('TO_MEND', refused)]));
    openPage(PAGE);
    const links = await screen.findAllByRole('link', { name: 'Change “Resolution” on the ticket' });
    expect(links[0]!.getAttribute('href')).toBe('/jobs/job/ticket/ticket#Resolution');
    fireEvent.click(screen.getByRole('button', { name: 'Send the newest of all 2' }));
    await waitFor(() => {
      expect(server.of('POST /counter-orders/o/pieces/1/replacement')).toHaveLength(1);
      expect(server.of('POST /counter-orders/o/pieces/2/replacement')).toHaveLength(1);
    });
    expect(await screen.findByText(/So it is with 1 other piece/)).toBeTruthy();
  });

  it('that is not reached says how it is', async () => {
    fakeServer({ ...answers([]), 'GET /counter': { state: 'NOT_REACHED', lab: null, currency: null, products: [] } });
    openPage(PAGE);
    expect(await screen.findByText(/The counter cannot be reached/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /^Order/ })).toBeNull();
  });
});

describe('what mends a refusal', () => {
  it('is each phrase once, and none for a file that is not whole', () => {
    const whole = { rule: 'WHOLE' as const, asked: '', has: '' };
    const type = { rule: 'FILE_TYPE' as const, asked: '', has: '' };
    const large = { rule: 'FILE_BYTES' as const, asked: '', has: '' };
    expect(mends('j', 't', [whole])).toEqual([]);
    expect(mends('j', 't', [type, large])).toEqual([{ to: '/jobs/j/ticket/t#File', words: 'Change “File” on the ticket' }]);
  });
});
