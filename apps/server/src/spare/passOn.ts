import { Agent as HttpAgent, type IncomingMessage, type Server, type ServerResponse } from "node:http";
import { Agent as HttpsAgent } from "node:https";
import type { Duplex } from "node:stream";
import type { Socket } from "node:net";
import { Injectable, type OnApplicationBootstrap, type OnModuleDestroy } from "@nestjs/common";
import { HttpAdapterHost } from "@nestjs/core";
import type { NextFunction, Request, Response } from "express";
import { type ProxyServer, createProxyServer } from "httpxy";
import { isChange, isServedTo } from "../door/guard.ts";
import { Lease } from "../lease/lease.ts";
import type { ServerPlace } from "../lease/leaseTable.ts";
import { Settings } from "../settings.ts";
import { SparesService } from "./spares.service.ts";
import { trusting } from "./leaderTrust.ts";

/** What a server that follows answers itself: how it does, and which servers there are. */
const OWN = [/^\/api\/health(?:[/?]|$)/, /^\/api\/servers(?:\?|$)/, /^\/api\/servers\/take-over$/];

const HAND_OVER = "/api/servers/hand-over";

/** Passes what is asked of a server that follows on to the one that leads, so that a window on any server sees the same. */
@Injectable()
export class PassOn implements OnApplicationBootstrap, OnModuleDestroy {
  private readonly proxy: ProxyServer = createProxyServer({ changeOrigin: true });
  private readonly agents = new Map<string, HttpAgent | HttpsAgent>();

  constructor(
    private readonly lease: Lease,
    private readonly settings: Settings,
    private readonly spares: SparesService,
    private readonly adapter: HttpAdapterHost,
  ) {
    this.proxy.on("error", (_error, _request, answer) => this.refuse(answer));
  }

  onApplicationBootstrap(): void {
    const http: Server = this.adapter.httpAdapter.getHttpServer();
    this.divert(http, "upgrade", (request, socket: Socket, head: Buffer) => {
      const leader = this.leaderFor(request);
      if (!leader || !isServedTo(request, this.others())) return false;
      socket.on("error", () => socket.destroy());
      this.prepare(request, leader);
      void this.proxy.ws(request, socket, { target: leader.address, agent: this.agentOf(leader) }, head).catch(() => socket.destroy());
      return true;
    });
  }

  onModuleDestroy(): void {
    for (const agent of this.agents.values()) agent.destroy();
  }

  /** The addresses of the other servers, whose pages are let in. */
  readonly others = (): readonly string[] => this.lease.memberAddresses;

  /** Passes a request on where another server leads. */
  readonly take = (request: Request, response: Response, next: NextFunction): void => {
    const handing = this.spares.handing;
    // Who asks while the lead is handed over is answered by the server that has it then.
    if (handing && request.path !== HAND_OVER && isChange(request.method)) {
      const goOn = (): void => this.take(request, response, next);
      void handing.then(goOn, goOn);
      return;
    }
    const leader = this.leaderFor(request);
    if (!leader) return next();
    this.prepare(request, leader);
    void this.proxy.web(request, response, { target: leader.address, agent: this.agentOf(leader) }).catch(() => this.refuse(response));
  };

  private leaderFor(request: IncomingMessage): ServerPlace | null {
    if (this.lease.role.value !== "follows" && !this.lease.isHanded) return null;
    const url = request.url ?? "";
    if (url.startsWith("/socket.io")) return this.lease.leader;
    if (!/^\/api(?:[/?]|$)/.test(url) || OWN.some((own) => own.test(url))) return null;
    return this.lease.leader;
  }

  /** The leader sees a request of its own page, or of a program beside a server of its shows. */
  private prepare({ headers }: IncomingMessage, leader: ServerPlace): void {
    if (headers.origin !== undefined) headers.origin = leader.address;
    if (headers.authorization === `Bearer ${this.settings.localKey}`) headers.authorization = `Bearer ${this.lease.secret}`;
  }

  private agentOf({ address, certificate }: ServerPlace): HttpAgent | HttpsAgent {
    const key = `${address} ${certificate ?? ""}`;
    const known = this.agents.get(key);
    if (known) return known;
    const keepAlive = { keepAlive: true, keepAliveMsecs: 5000 };
    const agent = certificate === null ? new HttpAgent(keepAlive) : new HttpsAgent({ ...keepAlive, ...trusting(certificate) });
    this.agents.set(key, agent);
    return agent;
  }

  private refuse(answer: ServerResponse | Duplex | undefined): void {
    if (!answer || !("setHeader" in answer)) return void answer?.destroy();
    if (answer.headersSent) return void answer.destroy();
    const message = "The server that leads does not answer. If it stays away, this one takes over by itself where it is ready; try again";
    answer.writeHead(503, { "Content-Type": "application/json" });
    answer.end(JSON.stringify({ message, faults: [message] }));
  }

  /** Puts a look before whoever else hears an event of the server; where it gives true, nobody else hears it. */
  private divert(http: Server, event: "upgrade", look: (request: IncomingMessage, socket: Socket, head: Buffer) => boolean): void {
    const own = http.listeners(event);
    http.removeAllListeners(event);
    http.on(event, (request: IncomingMessage, socket: Socket, head: Buffer) => {
      if (!look(request, socket, head)) for (const each of own) Reflect.apply(each, http, [request, socket, head]);
    });
  }
}
