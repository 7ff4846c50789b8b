// A slow and bad link where the kernel has none: passes connections on, every piece late, and holds a few of them up as a lost packet that is sent again would.
import { setTimeout } from "node:timers";
import { connect, createServer } from "node:net";

/** A lost packet comes again after so long; milliseconds. */
const AGAIN = 220;

/** Passes what comes to a port of this machine on to a host and port; `wait` milliseconds late, and a `loss` of all pieces later still. */
export async function slowLink(host, port, { wait, loss }, at = "127.0.0.1") {
  const sockets = new Set();
  let [delay, share] = [wait, loss];
  const pass = (from, to) => {
    // In their order, as a connection keeps it: whatever is late holds up what comes behind it.
    const waiting = [];
    const passNext = () => {
      const [{ at }] = waiting;
      setTimeout(
        () => {
          to.write(waiting.shift().piece);
          if (waiting.length > 0) passNext();
        },
        Math.max(0, at - performance.now()),
      );
    };
    from.on("data", (piece) => {
      waiting.push({ piece, at: performance.now() + delay + (Math.random() < share ? AGAIN : 0) });
      if (waiting.length === 1) passNext();
    });
    const end = () => {
      from.destroy();
      to.destroy();
      sockets.delete(from);
    };
    from.on("close", end);
    from.on("error", end);
    sockets.add(from);
  };
  const server = createServer((own) => {
    const other = connect(port, host);
    pass(own, other);
    pass(other, own);
  });
  await new Promise((resolve) => server.listen(0, at, resolve));
  return {
    port: server.address().port,
    set: (next) => ([delay, share] = [next.wait, next.loss]),
    close: () => {
      for (const socket of sockets) socket.destroy();
      server.close();
    },
  };
}
