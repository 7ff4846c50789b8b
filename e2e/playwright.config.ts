import { readFileSync } from "node:fs";
import { defineConfig } from "@playwright/test";

const flags: string[] = JSON.parse(readFileSync(new URL("chromium.json", import.meta.url), "utf8"));

export default defineConfig({
  testDir: ".",
  timeout: 120_000,
  expect: { timeout: 10_000 },
  workers: 2,
  fullyParallel: true,
  // The journey that kills the database is a project of its own: it is run last and alone, so that it disturbs no other.
  projects: [
    { name: "journeys", testIgnore: /databaseAway/ },
    { name: "database away", testMatch: /databaseAway/ },
  ],
  reporter: [["line"], ["json", { outputFile: process.env["ZM_E2E_REPORT"] ?? "test-results/report.json" }]],
  use: {
    baseURL: `http://127.0.0.1:${process.env["ZM_PORT"] ?? "4600"}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: process.env["ZM_CHROMIUM"] ?? "/usr/bin/chromium", args: flags },
    trace: "off",
  },
});
