/** What is taken off inside a scan's border, in per cent of the print's short side; kept in this browser. */
const KEY = 'embrick.inset';
const FIRST = 0.3;
const MOST = 10;

export function keptInset(): number {
  const kept = Number(window.localStorage.getItem(KEY) ?? FIRST);
  return kept >= 0 && kept <= MOST ? kept : FIRST;
}

export function keepInset(percent: number) {
  window.localStorage.setItem(KEY, String(percent));
}
