const swc = [
  "@swc/jest",
  {
    jsc: {
      parser: { syntax: "typescript", decorators: true },
      target: "es2022",
      transform: { legacyDecorator: true, decoratorMetadata: true },
      keepClassNames: true,
    },
    module: { type: "es6" },
  },
];
const swcPage = [
  "@swc/jest",
  {
    jsc: {
      parser: { syntax: "typescript", tsx: true },
      target: "es2022",
      transform: { react: { runtime: "automatic" } },
    },
    module: { type: "es6" },
  },
];
const base = {
  testEnvironment: "node",
  extensionsToTreatAsEsm: [".ts"],
  transform: { "^.+\\.ts$": swc },
  testEnvironmentOptions: { customExportConditions: ["@zm/source", "node", "node-addons"] },
};

export default {
  // What is tested is whether it works, not how fast: a busy machine may take its time.
  testTimeout: 180_000,
  // A worker that has grown is begun anew between two files: what modules of many files leave behind is never collected.
  workerIdleMemoryLimit: "900MB",
  projects: [
    { ...base, displayName: "core", rootDir: "packages/core", testMatch: ["<rootDir>/test/**/*.test.ts"] },
    { ...base, displayName: "formats", rootDir: "packages/formats", testMatch: ["<rootDir>/test/**/*.test.ts"] },
    { ...base, displayName: "demo", rootDir: "packages/demo", testMatch: ["<rootDir>/test/**/*.test.ts"] },
    { ...base, displayName: "protocol", rootDir: "packages/protocol", testMatch: ["<rootDir>/test/**/*.test.ts"] },
    { ...base, displayName: "dummy-rig", rootDir: "apps/dummy-rig", testMatch: ["<rootDir>/test/**/*.test.ts"] },
    { ...base, displayName: "cli", rootDir: "apps/cli", testMatch: ["<rootDir>/test/**/*.test.ts"] },
    { ...base, displayName: "caller", rootDir: "apps/caller", testMatch: ["<rootDir>/test/**/*.test.ts"] },
    { ...base, displayName: "web", rootDir: "apps/web", testMatch: ["<rootDir>/test/**/*.test.ts"] },
    {
      ...base,
      displayName: "components",
      rootDir: "apps/web",
      testMatch: ["<rootDir>/test/**/*.test.tsx"],
      testEnvironment: "<rootDir>/test/support/pageEnvironment.mjs",
      testEnvironmentOptions: { customExportConditions: ["@zm/source", "browser"] },
      extensionsToTreatAsEsm: [".ts", ".tsx"],
      transform: { "^.+\\.tsx?$": swcPage },
    },
    { ...base, displayName: "server", rootDir: "apps/server", testMatch: ["<rootDir>/test/**/*.test.ts"] },
  ],
};
