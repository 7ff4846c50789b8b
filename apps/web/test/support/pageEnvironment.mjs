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
      Response,
      fetch: () => Promise.reject(new Error("no server")),
    });
    Object.assign(this.global.performance, { mark: () => undefined, clearMarks: () => undefined });
    this.global.Element.prototype.scrollIntoView = () => undefined;
    this.global.ResizeObserver = class {
      observe() {}
      unobserve() {}
      disconnect() {}
    };
  }
}
