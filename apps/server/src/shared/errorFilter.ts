import { type ArgumentsHost, Catch, type ExceptionFilter, HttpException, Logger } from "@nestjs/common";
import { ShowError } from "@zm/core";
import type { Response } from "express";
import type { Socket } from "socket.io";
import { AWAY, isLost } from "./lost.ts";

import { plainWords, unreadableWords } from "./refusalWords.ts";

interface Reply {
  readonly status: number;
  readonly message: string;
  readonly faults: readonly string[];
}

/** Turns every failure into `{ message, faults }`: what the user can mend is named, anything else is kept to the log. */
@Catch()
export class ErrorFilter implements ExceptionFilter {
  private readonly log = new Logger("Error");

  catch(error: unknown, host: ArgumentsHost): void {
    if (host.getType() === "ws") return this.tellWindow(error, host);
    const response = host.switchToHttp().getResponse<Response>();
    const { status, message, faults } = this.reply(error);
    response.status(status).json({ message, faults });
  }

  /** What a window asked over its live line and may not have is told on that line. */
  private tellWindow(error: unknown, host: ArgumentsHost): void {
    const { message } = this.reply(error);
    host.switchToWs().getClient<Socket>().emit("refused", message);
  }

  private reply(error: unknown): Reply {
    if (error instanceof ShowError) return { status: 422, message: error.firstFault, faults: error.faults };
    if (error instanceof HttpException) {
      const body = error.getResponse();
      const messages = typeof body === "object" && "message" in body ? [body.message].flat().map(String) : [error.message];
      const plain = messages.map((message) => plainWords(error.getStatus(), message));
      return { status: error.getStatus(), message: plain[0] ?? error.message, faults: plain };
    }
    if (isLost(error)) return single(503, AWAY);
    const status = numberIn(error, "status") ?? 500;
    if (status >= 500) this.log.error(error instanceof Error ? error.stack : String(error));
    if (status === 413) return single(413, `This is larger than the ${sizeWords(numberIn(error, "limit") ?? 0)} that can be sent at once`);
    return single(status, status < 500 ? unreadableWords(status) : "Something went wrong on the server; nothing was changed");
  }
}

function single(status: number, message: string): Reply {
  return { status, message, faults: [message] };
}

function numberIn(error: unknown, field: string): number | undefined {
  const value: unknown = typeof error === "object" && error !== null ? Reflect.get(error, field) : undefined;
  return typeof value === "number" ? value : undefined;
}

function sizeWords(bytes: number): string {
  return `${Math.round(bytes / 1_048_576)} MB`;
}
