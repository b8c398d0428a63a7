import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { fakeServer } from '../testing/fakeServer';
import { LengthInput, ShownUnit } from './LengthInput';

it('shows its length in the form’s unit, and takes a bare number for one of it', async () => {
  const asked: string[] = [];
  fakeServer({
    'GET /length': (request) => {
      const { searchParams } = new URL(request.url);
      asked.push(`${searchParams.get('text')} ${searchParams.get('unit')}`);
      return { value: 30, unit: 'CM' };
    },
  });
  const changed = vi.fn();
  render(
    <ShownUnit value="CM">
      <LengthInput label="one side" value={{ value: 10, unit: 'IN' }} onChange={changed} />
    </ShownUnit>,
  );
  const field = screen.getByLabelText<HTMLInputElement>('one side');
  expect(field.value).toBe('25.4 cm');
  fireEvent.change(field, { target: { value: '30' } });
  fireEvent.blur(field);
  await waitFor(() => expect(changed).toHaveBeenCalledWith({ value: 30, unit: 'CM' }));
  expect(asked).toEqual(['30 CM']);
});

it('leaves a length alone that was only looked at', () => {
  const changed = vi.fn();
  render(
    <ShownUnit value="MM">
      <LengthInput label="one side" value={{ value: 8.5, unit: 'IN' }} onChange={changed} />
    </ShownUnit>,
  );
  fireEvent.blur(screen.getByLabelText('one side'));
  expect(changed).not.toHaveBeenCalled();
});
