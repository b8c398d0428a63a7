import { useSyncExternalStore } from 'react';

/**
 * Whether keys without Ctrl do anything on a page. Whoever speaks to the machine, or whose hand strikes keys unmeant,
 * switches them off (WCAG 2.2, 2.1.4).
 */
const STORED = 'embrick.single-keys';
const listeners = new Set<() => void>();

export const areSingleKeysOn = () => localStorage.getItem(STORED) !== 'off';

export function switchSingleKeys(isOn: boolean) {
  if (isOn) localStorage.removeItem(STORED);
  else localStorage.setItem(STORED, 'off');
  listeners.forEach((listener) => listener());
}

export function useSingleKeys(): boolean {
  return useSyncExternalStore((listener) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, areSingleKeysOn);
}
