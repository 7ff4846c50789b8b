import { readFileSync } from "node:fs";

/**
 * What Node is told when the server is started. Little room for new things makes each collection of them short: with the usual 16 MB a collection in the middle
 * of a large edit took 40 ms and more, and a follow waited for it.
 */
export const serverFlags = () => readFileSync("apps/server/node-flags", "utf8").trim().split(/\s+/);
