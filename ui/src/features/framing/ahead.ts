interface Shown<T> {
  value: T;
  /** Of the server's state that the next edit to be sent is done on; unknown while that state is not loaded. */
  version: number | undefined;
  /** Edits that are shown and not answered yet. */
  underWay: number;
}

/**
 * What pages show ahead of the server, by picture. It lies over what the server told last, so that an answer or a list that
 * comes meanwhile never takes back what a person has done since.
 */
export class Ahead<T> {
  private readonly shown = new Map<string, Shown<T>>();

  value(id: string): T | undefined {
    return this.shown.get(id)?.value;
  }

  version(id: string): number | undefined {
    return this.shown.get(id)?.version;
  }

  /** Shows an edit. Only the first on a picture is done on what the server told; later ones wait for the answers. */
  show(id: string, value: T, known: number | undefined): void {
    const before = this.shown.get(id);
    this.shown.set(id, {
      value,
      version: before ? before.version : known,
      underWay: (before?.underWay ?? 0) + 1,
    });
  }

  /** An edit of this page was answered. True if nothing newer is shown, so that the answer itself is the news. */
  settle(id: string, version: number): boolean {
    const entry = this.shown.get(id);
    if (!entry) return true;
    if (entry.underWay <= 1) {
      this.shown.delete(id);
      return true;
    }
    this.shown.set(id, { ...entry, version, underWay: entry.underWay - 1 });
    return false;
  }

  /** Undo or redo has changed the picture on the server. True if nothing newer is shown. */
  rebase(id: string, version: number): boolean {
    const entry = this.shown.get(id);
    if (!entry) return true;
    this.shown.set(id, { ...entry, version });
    return false;
  }

  forget(): void {
    this.shown.clear();
  }
}
