import { type Server, type Socket, connect, createServer } from "node:net";

/** A door between a server and its database: it can be shut, so that the database is away; held, so that it hangs; and let a COMMIT through while its answer is lost. */
export interface DatabaseDoor {
  readonly port: number;
  shut(): Promise<void>;
  open(): Promise<void>;
  /** Lets nothing through either way from now on, and cuts nothing. */
  hold(): void;
  /** Lets everything through again, what was held first. */
  wake(): void;
  /**
   * The next COMMIT of a transaction that has stored an edit reaches the database; then the line breaks before its answer, and the door is shut. Settles when it is.
   * What else is committed at that time (the run log, the server's lease) goes through.
   */
  loseNextCommit(): Promise<void>;
}

/** How long the database is given to do a COMMIT whose answer is lost; milliseconds. */
const COMMITTING = 150;
const STORES_EDIT = /INSERT INTO `?edits`?/i;

/** Puts a door in front of a port; it is open. */
export async function doorTo(port: number): Promise<DatabaseDoor> {
  const sockets = new Set<Socket>();
  let losing: (() => void) | undefined;
  let isHeld = false;
  const shut = (): Promise<void> =>
    new Promise((resolve) => {
      server.close(() => resolve());
      for (const socket of sockets) socket.destroy();
    });
  const server: Server = createServer((inside) => {
    const outside = connect(port, "127.0.0.1");
    for (const socket of [inside, outside]) {
      sockets.add(socket);
      socket.on("error", () => socket.destroy());
      socket.on("close", () => {
        sockets.delete(socket);
        inside.destroy();
        outside.destroy();
      });
      if (isHeld) socket.pause();
    }
    let isLost = false;
    let hasStoredEdit = false;
    inside.on("data", (bytes) => {
      outside.write(bytes);
      const words = bytes.toString("latin1");
      hasStoredEdit ||= STORES_EDIT.test(words);
      if (!words.includes("COMMIT")) return;
      const isOfEdit = hasStoredEdit;
      hasStoredEdit = false;
      if (!losing || !isOfEdit) return;
      const settle = losing;
      losing = undefined;
      isLost = true;
      setTimeout(() => void shut().then(settle), COMMITTING);
    });
    outside.on("data", (bytes) => {
      if (!isLost) inside.write(bytes);
    });
  });
  const listen = (at: number): Promise<void> => new Promise((resolve) => server.listen(at, "127.0.0.1", resolve));
  await listen(0);
  const address = server.address();
  const own = typeof address === "object" && address ? address.port : 0;
  return {
    port: own,
    shut,
    open: () => listen(own),
    hold: () => {
      isHeld = true;
      for (const socket of sockets) socket.pause();
    },
    wake: () => {
      isHeld = false;
      for (const socket of sockets) socket.resume();
    },
    loseNextCommit: () => new Promise((resolve) => (losing = resolve)),
  };
}
