import { randomUUID } from "node:crypto";
import type { LoggerService } from "@nestjs/common";
import { type Logger, pino } from "pino";
import { type HttpLogger, pinoHttp } from "pino-http";
import type { Settings } from "../settings.ts";

/** Lets Nest write its log through pino: one JSON line each, with the level, the time and the part that speaks. What it says of its own start is of level debug. */
export class PinoLogger implements LoggerService {
  constructor(private readonly pino: Logger) {}

  log(message: unknown, context?: string): void {
    this.pino.debug({ context }, String(message));
  }

  warn(message: unknown, context?: string): void {
    this.pino.warn({ context }, String(message));
  }

  error(message: unknown, ...rest: unknown[]): void {
    this.pino.error({ context: rest.at(-1), ...(rest.length > 1 ? { stack: rest[0] } : {}) }, String(message));
  }

  debug(message: unknown, context?: string): void {
    this.pino.debug({ context }, String(message));
  }
}

/** The log of a server: on standard error, so that standard output holds the address alone. */
export function makeLog({ logLevel }: Pick<Settings, "logLevel">): Logger {
  return pino({ level: logLevel, base: undefined }, process.stderr);
}

/** Writes one line for each request: what was asked, what was answered, how long it took, and a number by which its other lines are found. What went well is of level debug. */
export function requestLog(log: Logger): HttpLogger {
  return pinoHttp({
    logger: log,
    genReqId: () => randomUUID().slice(0, 8),
    customLogLevel: (_request, { statusCode }, error) => (error || statusCode >= 500 ? "error" : statusCode >= 400 ? "info" : "debug"),
    serializers: {
      req: ({ id, method, url }: { id: unknown; method: string; url: string }) => ({ id, method, url }),
      res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
    },
  });
}
