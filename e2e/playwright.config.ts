import { readFileSync } from "node:fs";
import { defineConfig } from "@playwright/test";

// Chromium's own pages for its address bar take a second of the processor beside every page of ours, so they are off. One list of features counts, so what Playwright
// turns off stands in it too.
const flags: string[] = JSON.parse(readFileSync(new URL("chromium.json", import.meta.url), "utf8"));

export default defineConfig({
  testDir: ".",
  timeout: 300_000,
  expect: { timeout: 30_000 },
  workers: 2,
  fullyParallel: true,
  // What there is one of, the database and the lights, is used by journeys that are run last and one by one, so that they disturb no other.
  projects: [
    { name: "journeys", testIgnore: /databaseAway|lights|onStage/ },
    { name: "alone", testMatch: /databaseAway|lights|onStage/ },
  ],
  reporter: [["line"], ["json", { outputFile: process.env["ZM_E2E_REPORT"] ?? "test-results/report.json" }]],
  use: {
    baseURL: `http://127.0.0.1:${process.env["ZM_PORT"] ?? "4600"}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: process.env["ZM_CHROMIUM"] ?? "/usr/bin/chromium", args: flags },
    trace: "off",
  },
});
