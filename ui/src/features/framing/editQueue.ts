/**
 * Edits of one page, sent one after the other in the order they were done. When one fails those behind it are dropped: they
 * were done on what is not so.
 */
export class EditQueue {
  private waiting: (() => Promise<void>)[] = [];
  private busy = false;

  constructor(private readonly onFailure: (error: unknown) => Promise<void>) {}

  get isEmpty(): boolean {
    return !this.busy && this.waiting.length === 0;
  }

  add(send: () => Promise<void>): void {
    this.waiting.push(send);
    if (!this.busy) void this.drain();
  }

  private async drain() {
    this.busy = true;
    try {
      for (let next = this.waiting.shift(); next; next = this.waiting.shift()) {
        try {
          await next();
        } catch (error) {
          this.waiting = [];
          await this.onFailure(error);
        }
      }
    } finally {
      this.busy = false;
    }
  }
}
