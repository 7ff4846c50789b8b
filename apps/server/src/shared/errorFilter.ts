import { type ArgumentsHost, Catch, type ExceptionFilter, HttpException, Logger } from "@nestjs/common";
import { ShowError } from "@zm/core";
import type { Response } from "express";

/** Turns every failure into `{ message, faults }`: what the user can mend is named, anything else is kept to the log. */
@Catch()
export class ErrorFilter implements ExceptionFilter {
  private readonly log = new Logger("Error");

  catch(error: unknown, host: ArgumentsHost): void {
    const response = host.switchToHttp().getResponse<Response>();
    const { status, message, faults } = this.reply(error);
    response.status(status).json({ message, faults });
  }

  private reply(error: unknown): { status: number; message: string; faults: readonly string[] } {
    if (error instanceof ShowError) return { status: 422, message: error.faults[0] ?? error.message, faults: error.faults };
    if (error instanceof HttpException) {
      const body = error.getResponse();
      const messages = typeof body === "object" && "message" in body ? [body.message].flat().map(String) : [error.message];
      return { status: error.getStatus(), message: messages[0] ?? error.message, faults: messages };
    }
    const status =
      typeof error === "object" && error !== null && "status" in error && typeof error.status === "number" ? error.status : 500;
    if (status >= 500) this.log.error(error instanceof Error ? error.stack : String(error));
    const message =
      status === 413
        ? "The file is larger than 200 MB"
        : status < 500 && error instanceof Error
          ? error.message
          : "Something went wrong on the server; nothing was changed";
    return { status, message, faults: [message] };
  }
}
