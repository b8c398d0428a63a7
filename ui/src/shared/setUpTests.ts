import { cleanup, configure } from '@testing-library/react';
import { afterEach, vi } from 'vitest';

// Everything else is built on the same cores at the same time.
configure({ asyncUtilTimeout: 15_000 });

// Styles of the library are not read: each search for a role would weigh them for every element.
Object.defineProperty(HTMLStyleElement.prototype, 'innerHTML', { configurable: true, get: () => '', set() {} });

// What one test has drawn and kept is not there for the next.
afterEach(() => {
  cleanup();
  document.head.replaceChildren();
  localStorage.clear();
  sessionStorage.clear();
});

/** Requests of pages are relative, and their signals are the page's own, which Node's requests do not take. */
class PageRequest extends Request {
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    super(typeof input === 'string' ? new URL(input, 'http://127.0.0.1') : input, { ...init, signal: null });
    if (init?.signal) Object.defineProperty(this, 'signal', { value: init.signal });
  }
}

// Once for all files of tests that share what they have loaded.
if (Request.name !== PageRequest.name) {
  Object.assign(globalThis, { Request: PageRequest });
  // Found anew at each request, so that each test can answer.
  let current = globalThis.fetch;
  Object.defineProperty(globalThis, 'fetch', {
    configurable: true,
    get: () => (...asked: Parameters<typeof fetch>) => current(...asked),
    set: (next: typeof fetch) => {
      current = next;
    },
  });
}

// What a browser has and the page's stand-in here has not.
vi.stubGlobal('matchMedia', () => ({ matches: false, addListener() {}, removeListener() {} }));
vi.stubGlobal(
  'ResizeObserver',
  class {
    observe() {}
    unobserve() {}
    disconnect() {}
  },
);
vi.stubGlobal(
  'EventSource',
  class {
    addEventListener() {}
    close() {}
  },
);

// Pictures are never loaded here; a page may ask for them all the same.
HTMLImageElement.prototype.decode = () => Promise.resolve();
