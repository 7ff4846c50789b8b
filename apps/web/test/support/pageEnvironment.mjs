import { TestEnvironment } from "jest-environment-jsdom";

/** A page without a browser, with what every browser has and jsdom has not. */
export default class PageEnvironment extends TestEnvironment {
  async setup() {
    await super.setup();
    Object.assign(this.global, {
      TextEncoder,
      TextDecoder,
      structuredClone,
      Headers,
      Request: globalThis.Request,
      Response,
      fetch: () => Promise.reject(new Error("no server")),
    });
    Object.assign(this.global.performance, { mark: () => undefined, clearMarks: () => undefined });
    // Nothing is laid out here; a scroller is as large as on a small screen.
    Object.defineProperties(this.global.Element.prototype, { clientHeight: { get: () => 600 }, clientWidth: { get: () => 800 } });
    this.global.Element.prototype.scrollIntoView = () => undefined;
    this.global.ResizeObserver = class {
      observe() {}
      unobserve() {}
      disconnect() {}
    };
  }
}
