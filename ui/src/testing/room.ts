import { vi } from 'vitest';

/** Lists draw what they have room for; the page's stand-in has none unless it is given some. */
export function giveRoom(width = 1200, height = 800) {
  for (const [name, px] of [
    ['clientWidth', width],
    ['offsetWidth', width],
    ['clientHeight', height],
    ['offsetHeight', height],
  ] as const) {
    vi.spyOn(HTMLElement.prototype, name, 'get').mockReturnValue(px);
  }
}
