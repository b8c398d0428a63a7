import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { fakeServer, problem } from '../../testing/fakeServer';
import { openPage } from '../../testing/openPage';
import { job, profile, ticketDocument } from '../../testing/samples';

const relation = (changed: Partial<Schemas['RelationView']> = {}): Schemas['RelationView'] => ({
  width: 6000,
  height: 4000,
  ppi: 300,
  widthLength: 50.8,
  heightLength: 33.867,
  pixelsKept: true,
  sentence: 'Nothing is changed.',
  ...changed,
});

const rule: Schemas['ProductRuleDocument'] = {
  kind: 'product',
  schemaVersion: 1,
  unit: 'CM',
  width: { value: 20, unit: 'CM' },
  height: { value: 20, unit: 'CM' },
  bleed: { value: 3, unit: 'MM' },
  safe: { value: 4, unit: 'MM' },
  ppi: 300,
  leastPpi: 120,
  colour: { digest: 's', model: 'RGB' },
  files: ['JPEG', 'PNG'],
  mostBytes: null,
};

const tile: Schemas['KeptView'] = {
  id: 'tile',
  version: 2,
  kind: 'PRODUCT',
  name: 'Tile',
  keptAt: '2026-11-20T09:00:00Z',
  document: rule,
};

describe('the desk', () => {
  const instrument = () =>
    fakeServer({
      'POST /desk/relation': relation(),
      'GET /desk/distances': [{ viewing: 'WALL', metres: 1, ppiNeeded: 100, eyePpi: 87.3 }],
      'GET /desk/sizes': [
        { keptId: 'a', name: 'Lab print', width: 3000, height: 2400, realPpi: 500, verdict: 'FINE', problem: null },
        { keptId: 'b', name: 'Banner', width: 0, height: 0, realPpi: 0, verdict: null, problem: { text: 'too long' } },
      ],
      'GET /jobs': [job()],
      'GET /jobs/job/saved-sizes': [{ keptId: 'a', name: 'Lab print', fine: 20, soft: 3, poor: 0, refused: 2 }],
    });

  it('changes one of three, holds another, and says what happens to the pixels', async () => {
    const server = instrument();
    openPage('/desk');
    const ppi = await screen.findByLabelText('pixels per inch');
    server.now({ 'POST /desk/relation': relation({ ppi: 100, widthLength: 152.4, sentence: 'The pixels stay as they are.' }) });
    fireEvent.change(ppi, { target: { value: '100' } });
    fireEvent.blur(ppi);
    expect(await screen.findByText('The pixels stay as they are.')).toBeTruthy();
    expect(server.of('POST /desk/relation').at(-1)?.body).toMatchObject({ changed: 'PPI', held: 'PIXELS', toPpi: 100 });
    // What is held cannot be changed.
    expect(screen.getByLabelText<HTMLInputElement>('across, px').disabled).toBe(true);
    fireEvent.click(screen.getByRole('radio', { name: 'size in print' }));
    expect(screen.getByLabelText<HTMLInputElement>('across, px').disabled).toBe(false);
    expect(screen.getByLabelText<HTMLInputElement>('wide').disabled).toBe(true);
  });

  it('takes no number that is none', async () => {
    const server = instrument();
    openPage('/desk');
    const ppi = await screen.findByLabelText<HTMLInputElement>('pixels per inch');
    const asked = server.of('POST /desk/relation').length;
    fireEvent.change(ppi, { target: { value: 'many' } });
    fireEvent.blur(ppi);
    expect(ppi.value).toBe('300');
    expect(server.of('POST /desk/relation')).toHaveLength(asked);
  });

  it('tells what cannot be', async () => {
    const server = instrument();
    openPage('/desk');
    const ppi = await screen.findByLabelText('pixels per inch');
    server.now({ 'POST /desk/relation': problem(422, 'relation', 'resolution: expected at most 20000 ppi.', 'Change another value.') });
    fireEvent.change(ppi, { target: { value: '90000' } });
    fireEvent.blur(ppi);
    expect(await screen.findByText(/at most 20000 ppi. Change another value/)).toBeTruthy();
  });

  it('judges pixels on saved sizes, and draws the sheet beside a hand', async () => {
    instrument();
    openPage('/desk');
    const sizes = await screen.findByRole('region', { name: 'On saved sizes' });
    expect(await within(sizes).findByText('500 ppi real')).toBeTruthy();
    expect(within(sizes).getByText('■ too long')).toBeTruthy();
    expect(screen.getByRole('img', { name: 'A sheet of 50.8 × 33.87 cm beside a hand' })).toBeTruthy();
    expect(await screen.findByText('87 ppi')).toBeTruthy();
  });

  it('shows saved sizes and name patterns by what they say', async () => {
    const { unit, size, turn, fit, edges, ppi, viewing, sharpening, colour, rounding, file } = ticketDocument;
    fakeServer({
      'GET /kept': (request) =>
        new URL(request.url).searchParams.get('kind') === 'SIZE'
          ? [{ ...tile, kind: 'SIZE', name: 'Lab', document: { kind: 'size', schemaVersion: 1, unit, size, turn, fit, edges, ppi, viewing, sharpening, colour, rounding, file } }]
          : [{ ...tile, kind: 'NAMES', name: 'Numbered', document: { kind: 'names', schemaVersion: 1, names: [{ kind: 'job' }, { kind: 'number', digits: 3, first: 1 }], letters: 'LOWER', subfolders: 'KEPT' } }],
    });
    const router = openPage('/desk/sizes');
    expect(await screen.findByText('8 × 10 in at 300 ppi, no edges, as JPEG, quality 95')).toBeTruthy();
    await router.navigate('/desk/names');
    expect(await screen.findByText('job · 001, in small letters, in the subfolders of the pile')).toBeTruthy();
  });
});

describe('product rules', () => {
  it('are read in words, and changed under the version that was seen', async () => {
    const server = fakeServer({ 'GET /kept': [tile], 'GET /profiles': [profile()], 'PUT /kept/tile': { ...tile, version: 3 } });
    openPage('/desk/products');
    expect(await screen.findByText(/20 × 20 cm, 3 mm bleed; files of 300 ppi, from pictures of 120 ppi or more/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Change' }));
    fireEvent.change(await screen.findByLabelText('least real ppi'), { target: { value: '150' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() =>
      expect(server.of('PUT /kept/tile')[0]?.body).toMatchObject({ name: 'Tile', document: { leastPpi: 150, kind: 'product' } }),
    );
  });

  it('have a picture over them on the bench, if one is sent', async () => {
    const server = fakeServer({
      'GET /kept': [tile],
      'GET /profiles': [profile()],
      'POST /marks': { digest: 'd', width: 600, height: 600 },
      'PUT /kept/tile': tile,
    });
    openPage('/desk/products');
    fireEvent.click(await screen.findByRole('button', { name: 'Change' }));
    fireEvent.change(await screen.findByLabelText('PNG over the product'), { target: { files: [new File(['x'], 'over.png')] } });
    expect(await screen.findByText('600 × 600 px')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() =>
      expect(server.of('PUT /kept/tile')[0]?.body).toMatchObject({ document: { overlay: { digest: 'd', width: 600 } } }),
    );
  });

  it('are added, and told why one cannot be', async () => {
    const server = fakeServer({
      'GET /kept': [],
      'POST /kept': problem(422, 'ticket-value', 'safe distance: expected less than half of 20 cm.', 'Change it.'),
    });
    openPage('/desk/products');
    fireEvent.click(await screen.findByRole('button', { name: 'Add a product' }));
    fireEvent.change(await screen.findByLabelText('name of the product'), { target: { value: 'Coaster' } });
    fireEvent.click(screen.getByRole('button', { name: 'Save' }));
    expect(await screen.findByText(/safe distance: expected less than half/)).toBeTruthy();
    expect(server.of('POST /kept')[0]?.body).toMatchObject({ name: 'Coaster', document: { files: ['JPEG'] } });
  });
});
