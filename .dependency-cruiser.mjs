/** Folders of a source, and those within them. */
const FOLDERS = ["^(packages|apps)/[^/]+/src/[^/]+$", "^(packages|apps)/[^/]+/src/[^/]+/[^/]+$"];

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
      comment: "A folder does not need one that needs it; no more does a folder within it.",
      severity: "error",
      scope: "folder",
      from: { path: FOLDERS },
      to: { path: FOLDERS, circular: true },
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
      name: "formats-over-core",
      comment: "Formats of others use the core alone, by its door; one of them knows nothing of another.",
      severity: "error",
      from: { path: "^packages/formats/src" },
      to: { path: "^(packages/(?!core/|formats/)|apps/)" },
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
      to: { path: "^packages/core/src/edit/(steps|plan|kinds|impact)/" },
    },
    {
      name: "edits-from-below",
      comment: "Steps stand by themselves; plans are made of steps, kinds and impact of both; what makes edits stands over all of them.",
      severity: "error",
      from: { path: "^packages/core/src/edit/steps/" },
      to: { path: "^packages/core/src/edit/(?!steps/)" },
    },
    {
      name: "plans-over-steps",
      comment: "What kinds of edits have in common knows none of them.",
      severity: "error",
      from: { path: "^packages/core/src/edit/plan/" },
      to: { path: "^packages/core/src/edit/(?!steps/|plan/)" },
    },
    {
      name: "kinds-and-impact-apart",
      comment: "What an edit comes to, and what is told of it, do not know of one another, nor of what makes edits.",
      severity: "error",
      from: { path: "^packages/core/src/edit/(kinds|impact)/" },
      to: { path: "^packages/core/src/edit/(?!steps/|plan/|$1/)" },
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
