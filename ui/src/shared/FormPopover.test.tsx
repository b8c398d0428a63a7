import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { Input, Radio } from 'antd';
import { expect, it, vi } from 'vitest';
import { FormPopover } from './FormPopover';

const kept = vi.fn();

async function opened() {
  render(
    <FormPopover
      title="Size"
      content={
        <>
          <Radio.Group value="b">
            <Radio value="a">a</Radio>
            <Radio value="b">b</Radio>
          </Radio.Group>
          <Input aria-label="width" onBlur={({ target }) => kept(target.value)} />
          <button type="button">more</button>
        </>
      }
    >
      <button type="button">8 × 10 in</button>
    </FormPopover>,
  );
  fireEvent.click(screen.getByText('8 × 10 in'));
  await waitFor(() => expect(document.activeElement).toBe(screen.getByRole('radio', { name: 'b' })));
}

it('takes the focus to the first control that Tab would lead to', opened);

it('is not left by Tab', async () => {
  await opened();
  screen.getByText('more').focus();
  fireEvent.keyDown(screen.getByText('more'), { key: 'Tab' });
  expect(document.activeElement).toBe(screen.getByRole('radio', { name: 'b' }));
  fireEvent.keyDown(document.activeElement!, { key: 'Tab', shiftKey: true });
  expect(document.activeElement).toBe(screen.getByText('more'));
});

it('gives the focus back on Escape', async () => {
  await opened();
  fireEvent.keyDown(document.activeElement!, { key: 'Escape' });
  expect(document.activeElement).toBe(screen.getByText('8 × 10 in'));
  await waitFor(() => expect(screen.getByText('8 × 10 in').className).not.toContain('ant-popover-open'));
});

it('keeps what was typed on Enter, and closes', async () => {
  await opened();
  const field = screen.getByLabelText('width');
  field.focus();
  fireEvent.change(field, { target: { value: '5' } });
  fireEvent.keyDown(field, { key: 'Enter' });
  expect(kept).toHaveBeenLastCalledWith('5');
  expect(document.activeElement).toBe(screen.getByText('8 × 10 in'));
});

it('leaves Enter on its buttons alone', async () => {
  await opened();
  screen.getByText('more').focus();
  fireEvent.keyDown(screen.getByText('more'), { key: 'Enter' });
  expect(document.activeElement).toBe(screen.getByText('more'));
});
