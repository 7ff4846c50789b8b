import { type Server, type Socket, connect, createServer } from "node:net";

/** A door between a server and its database that can be shut, so that the database is away, and opened again. */
export interface DatabaseDoor {
  readonly port: number;
  shut(): Promise<void>;
  open(): Promise<void>;
}

/** Puts a door in front of a port; it is open. */
export async function doorTo(port: number): Promise<DatabaseDoor> {
  const sockets = new Set<Socket>();
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
    }
    inside.pipe(outside).pipe(inside);
  });
  const listen = (at: number): Promise<void> => new Promise((resolve) => server.listen(at, "127.0.0.1", resolve));
  await listen(0);
  const address = server.address();
  const own = typeof address === "object" && address ? address.port : 0;
  return {
    port: own,
    shut: () =>
      new Promise((resolve) => {
        server.close(() => resolve());
        for (const socket of sockets) socket.destroy();
      }),
    open: () => listen(own),
  };
}
