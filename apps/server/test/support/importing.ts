import { importThread } from "../../src/shows/importWorker.ts";

/** For tests that import: the importing thread reads the sources itself, which takes a while, and is ended behind them. */
export function withImportThread(): void {
  beforeAll(async () => {
    await importThread().ready;
  }, 60_000);
  afterAll(async () => {
    await importThread().end();
  });
}
