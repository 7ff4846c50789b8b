import { createHash } from "node:crypto";
import { mkdirSync, realpathSync } from "node:fs";
import { type Server, createServer } from "node:net";

/** Takes a data folder for this process; null where another has it. A name that the system itself lets go of when the process ends, however it does. */
export function claimFolder(folder: string): Promise<Server | null> {
  mkdirSync(folder, { recursive: true });
  const name = createHash("sha256").update(realpathSync(folder)).digest("hex").slice(0, 32);
  return new Promise((resolve, reject) => {
    const server = createServer((socket) => socket.destroy());
    server.unref();
    server.once("error", (error) => ("code" in error && error.code === "EADDRINUSE" ? resolve(null) : reject(error)));
    server.listen({ path: `\0zealous-mark-${name}` }, () => resolve(server));
  });
}
