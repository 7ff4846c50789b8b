import type { IncomingMessage } from "node:http";
import { TLSSocket } from "node:tls";
import { OWN_HEADER } from "@zm/protocol";
import { LOOPBACK, hostsOf } from "./addresses.ts";
import type { NextFunction, Request, Response } from "express";

const CHANGING = new Set(["POST", "PUT", "PATCH", "DELETE"]);

/** True for the method of a request that changes something. */
export function isChange(method: string): boolean {
  return CHANGING.has(method);
}

/** True for a request to an address that this server is served at, from no page, from one of its own or of the other servers of its shows. */
export function isServedTo({ headers, socket }: Pick<IncomingMessage, "headers" | "socket">, others: readonly string[] = []): boolean {
  const hosts = servedHosts(socket.localPort);
  if (!hosts.includes(headers.host ?? "")) return false;
  const scheme = socket instanceof TLSSocket ? "https" : "http";
  return (
    headers.origin === undefined ||
    headers.origin === process.env["ZM_ADDRESS"] ||
    others.includes(headers.origin) ||
    hosts.some((host) => headers.origin === `${scheme}://${host}`)
  );
}

/** The addresses served: loopback and those of ZM_HOST on the port that was reached, and those that ZM_HOSTS names, such as "desk.local:4600". */
function servedHosts(port: number | undefined): string[] {
  const named = (process.env["ZM_HOSTS"] ?? "").split(",").map((host) => host.trim());
  const outside = process.env["ZM_ADDRESS"]?.replace(/^https?:\/\//, "");
  const plain = port === 80 ? LOOPBACK : [];
  const own = [...LOOPBACK, ...hostsOf(process.env["ZM_HOST"] ?? "127.0.0.1")];
  return [...own.map((host) => `${host}:${port ?? ""}`), ...plain, ...(outside ? [outside] : []), ...named.filter((host) => host !== "")];
}

/** Keeps foreign pages out: Host and Origin are held against the addresses served, and what changes something needs the application's own header and a body of its own kinds. */
export function guard(
  showType: string,
  others: () => readonly string[] = () => [],
): (request: Request, response: Response, next: NextFunction) => void {
  return (request, response, next) => {
    const refuse = (status: number, message: string): void => void response.status(status).json({ message, faults: [message] });
    if (!isServedTo(request, others()))
      return refuse(403, "This address is not served here; open the application at the address that it prints");
    if (answerOtherPage(request, response, others())) return;
    if (!CHANGING.has(request.method)) return next();
    if (request.headers[OWN_HEADER.name.toLowerCase()] !== OWN_HEADER.value)
      return refuse(403, `A request that changes something carries the header ${OWN_HEADER.name}: ${OWN_HEADER.value}`);
    const hasBody = request.headers["transfer-encoding"] !== undefined || Number(request.headers["content-length"] ?? 0) > 0;
    if (hasBody && !request.is("application/json") && !request.is(showType))
      return refuse(415, "The body of a request is JSON, sent as application/json");
    next();
  };
}

/** A page of another server of these shows, whose own has fallen silent, may ask here. True where its question was only whether it may. */
function answerOtherPage(request: Request, response: Response, others: readonly string[]): boolean {
  const { origin } = request.headers;
  if (origin === undefined || !others.includes(origin)) return false;
  response.setHeader("Access-Control-Allow-Origin", origin);
  response.setHeader("Access-Control-Allow-Credentials", "true");
  response.setHeader("Vary", "Origin");
  if (request.method !== "OPTIONS") return false;
  response.setHeader("Access-Control-Allow-Methods", ["GET", ...CHANGING].join());
  response.setHeader("Access-Control-Allow-Headers", request.headers["access-control-request-headers"] ?? "");
  response.status(204).end();
  return true;
}

/** Refuses what changes something on a server that only reads, with the reason and who may. */
export function writersOnly({
  readingBecause,
}: {
  readonly readingBecause: string | null;
}): (request: Request, response: Response, next: NextFunction) => void {
  return (request, response, next) => {
    if (readingBecause === null || !CHANGING.has(request.method)) return next();
    const message = `${readingBecause}. Nothing was changed.`;
    response.status(503).json({ message, faults: [message] });
  };
}
