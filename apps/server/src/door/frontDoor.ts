import type { Server as HttpServer } from "node:http";
import { type Server, type Socket, createServer } from "node:net";
import { createServer as createTlsServer } from "node:tls";
import { EVERY_ADDRESS, isFromHere } from "./addresses.ts";
import type { Certificate } from "./certificate.ts";

/** The first byte of a connection that is to be encrypted. */
const HANDSHAKE = 0x16;
/** Somebody who connects and says nothing is let go after so long; milliseconds. */
const PATIENCE = 10_000;

/**
 * One port for all: what comes encrypted is taken from everywhere; what comes plain is served to this machine alone, and everybody else is sent to the encrypted
 * address. Both come to the same server of requests. Resolves once it listens, with what closes it; what keeps it from that comes through.
 */
export async function openFrontDoor(
  http: HttpServer,
  { pair }: Certificate,
  port: number,
  host: string,
  isOwn = isFromHere,
): Promise<() => void> {
  if (!pair) throw new Error("A front door needs a certificate");
  const encrypted = createTlsServer(pair, (socket) => http.emit("connection", socket));
  encrypted.on("tlsClientError", () => undefined);
  const take = (socket: Socket): void => {
    socket.setTimeout(PATIENCE, () => socket.destroy());
    socket.on("error", () => socket.destroy());
    socket.once("data", (first: Buffer) => {
      socket.setTimeout(0);
      socket.pause();
      socket.unshift(first);
      // What is encrypted reads on by itself, from where the first byte stands.
      if (first[0] === HANDSHAKE) return void encrypted.emit("connection", socket);
      if (isOwn(socket.remoteAddress)) http.emit("connection", socket);
      else sendToEncrypted(socket, first);
      socket.resume();
    });
  };
  // Programs of this machine, and whoever sits at it, find it at the address that they always have.
  const doors = await Promise.all(
    [...(host === EVERY_ADDRESS ? [] : ["127.0.0.1"]), host].map((own) => listening(createServer(take), port, own)),
  );
  return () => doors.forEach((door) => door.close());
}

function listening(door: Server, port: number, host: string): Promise<Server> {
  return new Promise((resolve, reject) => {
    door.once("error", reject);
    door.listen(port, host, () => {
      door.off("error", reject);
      resolve(door);
    });
  });
}

/** Answers a plain request from elsewhere: where the same page is encrypted. */
function sendToEncrypted(socket: Socket, first: Buffer): void {
  const text = first.toString("latin1");
  const [, path = "/"] = /^[A-Z]+ (\/\S*) HTTP/.exec(text) ?? [];
  const [, host = ""] = /\r\nHost: *([\w.:[\]-]+)\r\n/i.exec(text) ?? [];
  const place = host === "" ? "" : `Location: https://${host}${path}\r\n`;
  socket.end(
    `HTTP/1.1 ${host === "" ? "426 Upgrade Required" : "308 Permanent Redirect"}\r\n${place}Connection: close\r\nContent-Length: 0\r\n\r\n`,
  );
}
