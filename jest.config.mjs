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
const base = {
  testEnvironment: "node",
  extensionsToTreatAsEsm: [".ts"],
  transform: { "^.+\\.ts$": swc },
  testEnvironmentOptions: { customExportConditions: ["@zm/source", "node", "node-addons"] },
};

export default {
  projects: [
    { ...base, displayName: "core", rootDir: "packages/core", testMatch: ["<rootDir>/test/**/*.test.ts"] },
    { ...base, displayName: "demo", rootDir: "packages/demo", testMatch: ["<rootDir>/test/**/*.test.ts"] },
    { ...base, displayName: "cli", rootDir: "apps/cli", testMatch: ["<rootDir>/test/**/*.test.ts"] },
    { ...base, displayName: "web", rootDir: "apps/web", testMatch: ["<rootDir>/test/**/*.test.ts"] },
    { ...base, displayName: "server", rootDir: "apps/server", testMatch: ["<rootDir>/test/**/*.test.ts"] },
  ],
};
