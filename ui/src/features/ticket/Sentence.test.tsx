import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { fakeServer, problem } from '../../testing/fakeServer';
import { profile, ticketDocument } from '../../testing/samples';
import { profilesQuery } from '../profiles';
import type { TicketDocument } from './queries';
import { Sentence } from './Sentence';

const document: TicketDocument = ticketDocument;

function shelf() {
  const queries = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity } } });
  queries.setQueryData(profilesQuery().queryKey, [
    profile(),
    profile({ digest: 'l', title: 'Lustre paper, CMYK', name: 'Lustre paper, CMYK', model: 'CMYK', purpose: 'OUTPUT' }),
  ]);
  return queries;
}

function show(part: Partial<TicketDocument> = {}, problems: Parameters<typeof Sentence>[0]['problems'] = []) {
  const onChange = vi.fn();
  render(
    <QueryClientProvider client={shelf()}>
      <Sentence document={{ ...document, ...part }} pieces={24} problems={problems} onChange={onChange} />
    </QueryClientProvider>,
  );
  return onChange;
}

const sentence = () => screen.getByText(/Print all/).textContent?.replace(/\s+/g, ' ');

describe('the ticket', () => {
  it('reads as a sentence', () => {
    show();
    expect(sentence()).toBe(
      'Print all 24 pictures one copy each, at 8 × 10 in, turned to suit each picture, filled to the edge, with no edges, at 300 ppi, to be seen in the hand, ' +
        'resampled as suits each picture, not sharpened, in sRGB, as JPEG, quality 95, carrying creator, rights, title and caption, named originalsize+ upper and lower case unchanged, into prints-8x10, all in one folder.',
    );
  });

  it('leaves out what its size does not have', () => {
    show({ size: { kind: 'own' } });
    expect(sentence()).toContain('at its own shape and pixels, with no edges, marked 300 ppi');
    expect(sentence()).not.toContain('turned');
  });

  it('of files that stay as they are says only how they are named', () => {
    const onChange = show({ size: { kind: 'own' }, colour: { kind: 'keep' }, file: { kind: 'as-it-is' }, subfolders: 'KEPT' });
    expect(screen.getByText(/Rename all 24 pictures as/).textContent?.replace(/\s+/g, ' ')).toBe(
      'Rename all 24 pictures as their own files, untouched, with all that they say, also where they were taken, named originalsize+ upper and lower case unchanged, into prints-8x10, in the subfolders of the pile.',
    );
    fireEvent.click(screen.getByRole('button', { name: /^Subfolders/ }));
    fireEvent.click(screen.getByRole('radio', { name: 'all in one folder' }));
    expect(onChange).toHaveBeenCalledWith({ subfolders: 'FLATTENED' });
  });

  it('leaves nothing else to say where its files are only renamed', () => {
    const onChange = show();
    fireEvent.click(screen.getByRole('button', { name: /^File/ }));
    fireEvent.click(screen.getByRole('radio', { name: /only renamed/ }));
    expect(onChange).toHaveBeenCalledWith(
      expect.objectContaining({ file: { kind: 'as-it-is' }, size: { kind: 'own' }, colour: { kind: 'keep' }, edges: { kind: 'none' } }),
    );
    expect(onChange.mock.lastCall?.[0]).toMatchObject({ metadata: { kept: 'ALL', place: 'KEPT', serialNumbers: 'KEPT' } });
  });

  it('gives no place away once files are made anew again', () => {
    const onChange = show({ size: { kind: 'own' }, colour: { kind: 'keep' }, file: { kind: 'as-it-is' } });
    fireEvent.click(screen.getByRole('button', { name: /^File/ }));
    fireEvent.click(screen.getByRole('radio', { name: 'JPEG' }));
    expect(onChange.mock.lastCall?.[0]).toMatchObject({ metadata: { kept: 'CREDITS_AND_CAPTION', place: 'DROPPED' } });
  });

  it('draws a mark over screen sets, in words', () => {
    const screens = { size: { kind: 'pixels', width: 1080, height: 1350 } } as const;
    const onChange = show(screens);
    fireEvent.click(screen.getByRole('button', { name: 'Mark: without a mark' }));
    fireEvent.click(screen.getByRole('checkbox', { name: /a mark over each picture/ }));
    expect(onChange).toHaveBeenCalledWith({ mark: expect.objectContaining({ place: 'BOTTOM_RIGHT', strengthPercent: 50 }) });
    cleanup();
    show({ ...screens, mark: { content: { kind: 'words', text: '© Windrose' }, place: 'TILED', sizePercent: 4, strengthPercent: 30 } });
    expect(sentence()).toContain('with “© Windrose” drawn tiled over the picture');
    cleanup();
    show();
    expect(screen.queryByRole('button', { name: /^Mark/ })).toBeNull();
  });

  it('takes a PNG for a mark, and tells why one cannot be', async () => {
    const server = fakeServer({
      'POST /marks': problem(422, 'mark-picture', 'The mark’s picture: expected a PNG with see-through parts.', 'Save it so.'),
    });
    const onChange = show({
      size: { kind: 'own' },
      mark: { content: { kind: 'words', text: '©' }, place: 'BOTTOM', sizePercent: 4, strengthPercent: 30 },
    });
    fireEvent.click(screen.getByRole('button', { name: /^Mark/ }));
    fireEvent.change(screen.getByLabelText('PNG of the mark'), { target: { files: [new File(['x'], 'mark.png')] } });
    expect(await screen.findByText(/expected a PNG with see-through parts. Save it so./)).toBeTruthy();
    server.now({ 'POST /marks': { digest: 'd', width: 300, height: 100 } });
    fireEvent.change(screen.getByLabelText('PNG of the mark'), { target: { files: [new File(['x'], 'mark.png')] } });
    await waitFor(() =>
      expect(onChange).toHaveBeenCalledWith({
        mark: expect.objectContaining({ content: { kind: 'picture', digest: 'd', width: 300, height: 100 }, place: 'BOTTOM' }),
      }),
    );
  });

  it('names the product that it is held to, and is let go of it', () => {
    const length = (value: number) => ({ value, unit: 'MM' as const });
    const onChange = show({
      product: {
        name: 'Tile',
        rule: {
          kind: 'product',
          schemaVersion: 1,
          unit: 'MM',
          width: length(200),
          height: length(200),
          bleed: length(3),
          safe: length(4),
          ppi: 300,
          leastPpi: 120,
          colour: null,
          files: ['JPEG'],
          mostBytes: 2_000_000,
        },
      },
    });
    fireEvent.click(screen.getByRole('button', { name: 'Product: the rule of “Tile”' }));
    expect(screen.getByText('200 × 200 mm, 3 mm bleed')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Take the product off this ticket' }));
    expect(onChange).toHaveBeenCalledWith({ product: null });
  });

  it('says what its files carry over, and lets it be changed', () => {
    const onChange = show();
    fireEvent.click(screen.getByRole('button', { name: /^Metadata/ }));
    fireEvent.click(screen.getByRole('radio', { name: /everything/ }));
    expect(onChange).toHaveBeenCalledWith({ metadata: expect.objectContaining({ kept: 'ALL', place: 'DROPPED' }) });
    const rights = screen.getByLabelText('copyright notice');
    fireEvent.change(rights, { target: { value: ' © the archive ' } });
    fireEvent.blur(rights);
    expect(onChange).toHaveBeenLastCalledWith({
      metadata: expect.objectContaining({ texts: expect.objectContaining({ rights: '© the archive' }) }),
    });
  });

  it('opens a phrase to be changed, by its name', () => {
    const onChange = show();
    fireEvent.click(screen.getByRole('button', { name: /^Orientation of the sheet/ }));
    fireEvent.click(screen.getByRole('radio', { name: 'always wide' }));
    expect(onChange).toHaveBeenCalledWith({ turn: 'WIDE' });
  });

  it('says by which method and how pictures are sharpened', () => {
    show({
      resampling: { method: 'MITCHELL', light: 'LINEAR', ringing: 'LIMITED' },
      sharpening: { kind: 'paper', paper: 'CANVAS' },
      file: { kind: 'tiff', packing: 'DEFLATE', depth: 'SIXTEEN' },
    });
    expect(sentence()).toContain(
      'resampled by Mitchell–Netravali in linear light, ringing limited, sharpened for canvas, in sRGB, as TIFF, 16 bit, compressed by Deflate',
    );
  });

  it('offers every method with what it is for', () => {
    const onChange = show();
    fireEvent.click(screen.getByRole('button', { name: /^Resampling/ }));
    expect(screen.getAllByRole('radio')).toHaveLength(10);
    expect(screen.getByRole('radio', { name: /^learned detail sharper edges/ })).toBeDefined();
    fireEvent.click(screen.getByRole('radio', { name: /^nearest no blending/ }));
    expect(onChange).toHaveBeenCalledWith({ resampling: { method: 'NEAREST', light: 'ENCODED', ringing: 'FREE' } });
  });

  it('begins exact sharpening from sensible values', () => {
    const onChange = show();
    fireEvent.click(screen.getByRole('button', { name: /^Sharpening/ }));
    fireEvent.click(screen.getByRole('radio', { name: 'sharpened by exact values' }));
    expect(onChange).toHaveBeenCalledWith({
      sharpening: { kind: 'exact', strength: 30, radius: { value: 0.09, unit: 'MM' }, threshold: 1 },
    });
  });

  it('understands ppi with its word', () => {
    const onChange = show();
    fireEvent.click(screen.getByRole('button', { name: /^Resolution/ }));
    const input = screen.getByRole('textbox', { name: 'pixels per inch' });
    fireEvent.change(input, { target: { value: '240 dpi' } });
    fireEvent.blur(input);
    expect(onChange).toHaveBeenCalledWith({ ppi: 240 });
  });

  it('explains what cannot work at its phrase', () => {
    show({ ppi: 0 }, [
      { code: 'ticket-value', subject: 'ppi', text: 'ppi: expected 1 to 20000, got 0', remedy: 'Change it on the ticket.' },
    ]);
    expect(screen.getByRole('alert').textContent).toContain('expected 1 to 20000, got 0');
    expect(screen.getByRole('button', { name: /^Resolution/ }).getAttribute('aria-describedby')).toBe(screen.getByRole('alert').id);
  });

  it('moves name bricks by their own buttons', () => {
    const onChange = show();
    fireEvent.click(screen.getByRole('button', { name: 'Name brick 2: size' }));
    fireEvent.click(screen.getByRole('button', { name: '← earlier' }));
    expect(onChange).toHaveBeenCalledWith({ names: [{ kind: 'size' }, { kind: 'original' }] });
  });

  it('says its colours, and how they are fitted', () => {
    const lustre = { digest: 'l', model: 'CMYK' } as const;
    show({ colour: { kind: 'convert', profile: lustre, intent: 'PERCEPTUAL', blackPoint: 'PLAIN' }, rounding: 'DITHERED' });
    expect(sentence()).toContain('in Lustre paper, CMYK, perceptual, without black point compensation, dithered, as');
    cleanup();
    show({ colour: { kind: 'assign', profile: { digest: 's', model: 'RGB' } } });
    expect(sentence()).toContain('in sRGB, assigned without converting, as');
    cleanup();
    show({ colour: { kind: 'keep' } });
    expect(sentence()).toContain('in each picture’s own colours, as');
  });

  it('takes compensation away where absolute is chosen, and gives the rest as it was', async () => {
    const onChange = show();
    fireEvent.click(screen.getByRole('button', { name: 'Colour: sRGB' }));
    fireEvent.click(await screen.findByRole('radio', { name: /^absolute/ }));
    expect(onChange).toHaveBeenLastCalledWith({
      colour: { ...document.colour, intent: 'ABSOLUTE', blackPoint: 'PLAIN' },
    });
    fireEvent.click(screen.getByRole('checkbox', { name: /dither/ }));
    expect(onChange).toHaveBeenLastCalledWith({ rounding: 'DITHERED' });
  });
});
