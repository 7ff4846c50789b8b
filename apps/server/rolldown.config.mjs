// The server in a few files instead of hundreds: it is read in half of the time, so that a show stands again sooner after a crash.
const OWN = /^(@zm\/|zod|rxjs|chevrotain|@chevrotain|lodash-es|diff|papaparse|fountain-js|iterare|tslib)/;

export default {
  // The threads are files of their own beside the main one.
  input: {
    main: "dist/modules/main.js",
    engineThread: "dist/modules/engine/engineThread.js",
    importThread: "dist/modules/shows/importThread.js",
    backup: "dist/modules/backups/headless.js",
    account: "dist/modules/people/headless.js",
  },
  platform: "node",
  external: (id) => !id.startsWith(".") && !id.startsWith("/") && !OWN.test(id),
  output: { dir: "dist", format: "esm", entryFileNames: "[name].js", chunkFileNames: "chunk-[name].js" },
};
