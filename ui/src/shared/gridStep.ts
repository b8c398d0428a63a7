/** Where an arrow key leads in a list that is laid in rows of so many columns; nowhere for other keys. */
export function gridStep(key: string, at: number, columns: number, count: number): number | undefined {
  const to = {
    ArrowLeft: at - 1,
    ArrowRight: at + 1,
    ArrowUp: at - columns,
    ArrowDown: at + columns,
    Home: 0,
    End: count - 1,
  }[key];
  if (to === undefined) return undefined;
  // From the last full row down to a shorter one: its last.
  if (key === 'ArrowDown' && to >= count) return Math.floor(at / columns) < Math.floor((count - 1) / columns) ? count - 1 : at;
  return to < 0 || to >= count ? at : to;
}
