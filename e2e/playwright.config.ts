import { defineConfig } from "@playwright/test";

const flags = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
];

export default defineConfig({
  testDir: ".",
  timeout: 30_000,
  workers: 2,
  fullyParallel: true,
  reporter: [["line"], ["json", { outputFile: process.env["ZM_E2E_REPORT"] ?? "test-results/report.json" }]],
  use: {
    baseURL: `http://127.0.0.1:${process.env["ZM_PORT"] ?? "4600"}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: process.env["ZM_CHROMIUM"] ?? "/usr/bin/chromium", args: flags },
    trace: "off",
  },
});
