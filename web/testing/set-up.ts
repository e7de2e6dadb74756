import './react-as-shipped';
import { cleanup, configure } from '@testing-library/react';
import { afterEach, beforeAll, vi } from 'vitest';

// Of every file of screen tests; what they import is loaded once for all of them.

// No test is about time: a slow machine is not a failure.
// Nor is the page printed for each look that finds nothing.
configure({ asyncUtilTimeout: 30_000, getElementError: (message) => new Error(message ?? '') });

// What browsers have and this one lacks.
beforeAll(async () => {
  class Nothing {
    observe(): void {}
    unobserve(): void {}
    disconnect(): void {}
    terminate(): void {}
  }
  vi.stubGlobal('ResizeObserver', Nothing);
  vi.stubGlobal('Worker', Nothing);
  vi.stubGlobal('matchMedia', (query: string) => ({
    matches: false,
    media: query,
    addEventListener: () => {},
    removeEventListener: () => {},
    addListener: () => {},
    removeListener: () => {},
  }));
  Object.defineProperty(document, 'fonts', { value: new EventTarget(), configurable: true });
  // Chromium answers with a promise, which is nothing to clean up by.
  Element.prototype.scrollIntoView = (() => Promise.resolve()) as () => void;
  // No style sheet is applied here; to look through them for every element would take most of the time.
  const noStyle = document.createElement('i').style;
  vi.stubGlobal('getComputedStyle', (element: HTMLElement, pseudo?: string | null) =>
    pseudo ? noStyle : (element.style ?? noStyle),
  );
  await import('@/workers/engine.worker');
});

afterEach(() => {
  cleanup();
  localStorage.clear();
});
