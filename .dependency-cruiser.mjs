/** How the parts of the product may use one another: in one direction, files and folders alike. */
export default {
  forbidden: [
    {
      name: "no-cycle-of-files",
      comment: "A file does not need one that needs it.",
      severity: "error",
      from: {},
      to: { circular: true },
    },
    {
      name: "no-cycle-of-folders",
      comment: "A folder does not need one that needs it.",
      severity: "error",
      scope: "folder",
      from: { path: "^(packages|apps)/[^/]+/src/[^/]+$" },
      to: { path: "^(packages|apps)/[^/]+/src/[^/]+$", circular: true },
    },
    {
      name: "core-alone",
      comment: "The core uses nothing else of ours.",
      severity: "error",
      from: { path: "^packages/core/src" },
      to: { path: "^(packages/(?!core/)|apps/)" },
    },
    {
      name: "protocol-over-core",
      comment: "The contract uses the core alone.",
      severity: "error",
      from: { path: "^packages/protocol/src" },
      to: { path: "^(packages/(?!core/|protocol/)|apps/)" },
    },
    {
      name: "apps-apart",
      comment: "Server, window and command line do not use one another.",
      severity: "error",
      from: { path: "^apps/([^/]+)/src" },
      to: { path: "^apps/", pathNot: "^apps/$1/" },
    },
    {
      name: "core-layers",
      comment: "The document and the sheet know nothing of what is made of them.",
      severity: "error",
      from: { path: "^packages/core/src/(show|sheet)/" },
      to: { path: "^packages/core/src/(edit|line|hand|check|mix|output|rig|marks|time|stage|script)/" },
    },
    {
      name: "edits-by-their-door",
      comment: "Line and Hand use what edits offer, not what they are made of.",
      severity: "error",
      from: { path: "^packages/core/src/(line|hand|rig|check|paper)/" },
      to: { path: "^packages/core/src/edit/(plan|schema)/" },
    },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    exclude: { path: "(/dist/|/dist-bench/|/node_modules/)" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.base.json" },
    enhancedResolveOptions: { exportsFields: ["exports"], conditionNames: ["@zm/source", "import", "types", "default"] },
  },
};
