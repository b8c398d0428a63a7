import { describe, expect, it } from 'vitest';
import { EditQueue } from './editQueue';

const soon = () => new Promise<void>((resolve) => setTimeout(resolve));

describe('the queue of edits', () => {
  it('sends one after the other, in order', async () => {
    const order: string[] = [];
    const queue = new EditQueue(async () => undefined);
    let first = () => undefined as void;
    queue.add(async () => {
      order.push('first begins');
      await new Promise<void>((resolve) => (first = resolve));
      order.push('first ends');
    });
    queue.add(async () => void order.push('second'));
    await soon();
    expect(order).toEqual(['first begins']);
    expect(queue.isEmpty).toBe(false);
    first();
    await soon();
    expect(order).toEqual(['first begins', 'first ends', 'second']);
    expect(queue.isEmpty).toBe(true);
  });

  it('drops those behind one that failed, and tells why', async () => {
    const told: unknown[] = [];
    const sent: string[] = [];
    const queue = new EditQueue(async (error) => void told.push(error));
    const failure = new Error('stale');
    queue.add(() => Promise.reject(failure));
    queue.add(async () => void sent.push('behind'));
    await soon();
    expect(told).toEqual([failure]);
    expect(sent).toEqual([]);
    queue.add(async () => void sent.push('later'));
    await soon();
    expect(sent).toEqual(['later']);
  });
});
