import { ServiceUnavailableException } from "@nestjs/common";

const CODES = new Set([
  "ECONNREFUSED",
  "ECONNRESET",
  "EPIPE",
  "ETIMEDOUT",
  "ENOTFOUND",
  "PROTOCOL_CONNECTION_LOST",
  "PROTOCOL_ENQUEUE_AFTER_FATAL_ERROR",
  "ER_SERVER_SHUTDOWN",
  "ER_NORMAL_SHUTDOWN",
  "ER_CON_COUNT_ERROR",
  "POOL_CLOSED",
]);

/** What the user is told while the database is away. */
export const AWAY =
  "The database is away, so nothing can be stored: nothing was changed. The show can be read and run; the database is looked for all the time and edits work again when it is back.";

/** The database cannot be reached. */
export class DatabaseAway extends ServiceUnavailableException {
  constructor(message = AWAY, cause?: unknown) {
    super(message, { cause });
  }
}

/** True for an error that says that the database cannot be reached, however deep it is wrapped. */
export function isLost(error: unknown): boolean {
  if (error instanceof DatabaseAway) return true;
  if (typeof error !== "object" || error === null) return false;
  const { code, message, driverError } = error as { code?: unknown; message?: unknown; driverError?: unknown };
  if (typeof code === "string" && CODES.has(code)) return true;
  if (typeof message === "string" && /closed state|Pool is closed|Connection lost|is not connected/.test(message)) return true;
  return driverError !== undefined && driverError !== error && isLost(driverError);
}
