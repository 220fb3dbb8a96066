// What a page stands on, for component tests: a document, what it knows of its screen, and style sheets that are nothing.
import { setMaxListeners } from 'node:events';
import { register } from 'node:module';
import { JSDOM } from 'jsdom';

setMaxListeners(100); // the person at the page listens to many keys
register('./noStyles.mjs', import.meta.url);

const { window } = new JSDOM('<!doctype html><html lang="en"><body></body></html>', {
  url: 'http://127.0.0.1:4680/',
  pretendToBeVisual: true,
});

/** Says what a size would be said of: nothing is laid out here. */
class Watcher {
  observe() {}
  unobserve() {}
  disconnect() {}
}
window.ResizeObserver = Watcher;
window.IntersectionObserver = Watcher;
window.matchMedia = (media) => ({
  media,
  matches: false,
  addEventListener() {},
  removeEventListener() {},
  addListener() {},
  removeListener() {},
});
window.scrollTo = () => {};
window.Element.prototype.scrollIntoView = () => {};

const known = new Set(['window', 'self', 'globalThis', 'global', 'process', 'performance', 'crypto', 'fetch', 'AbortController', 'AbortSignal', 'setTimeout', 'setInterval', 'clearTimeout', 'clearInterval', 'queueMicrotask', 'structuredClone']); // prettier-ignore
for (const name of Object.getOwnPropertyNames(window)) {
  if (known.has(name) || name.startsWith('_')) continue;
  if (name in globalThis && !['navigator', 'Event', 'EventTarget', 'KeyboardEvent', 'CustomEvent', 'localStorage', 'sessionStorage', 'Blob', 'File', 'FormData', 'Headers', 'URL'].includes(name)) continue; // prettier-ignore
  Object.defineProperty(globalThis, name, { configurable: true, writable: true, value: window[name] });
}
Object.defineProperty(globalThis, 'window', { configurable: true, value: window });
Object.defineProperty(globalThis, 'self', { configurable: true, value: window });
globalThis.IS_REACT_ACT_ENVIRONMENT = true;

/** A page asks by paths; here they are of the address the document has. */
const NodeRequest = globalThis.Request;
globalThis.Request = class extends NodeRequest {
  constructor(asked, init) {
    super(typeof asked === 'string' ? new URL(asked, window.location.href) : asked, init);
  }
};
