import { fileURLToPath } from "node:url";

/** Where the server listens and where its database is; all on loopback. A class, so that Nest can give it to whoever asks. */
export class Settings {
  readonly port: number;
  readonly database: {
    readonly host: string;
    readonly port: number;
    readonly username: string;
    readonly password: string;
    readonly name: string;
  };
  /** The folder of the built page. */
  readonly pages: string;
}

/** Reads the settings from the environment that the start and test commands set. */
export function readSettings(env: NodeJS.ProcessEnv): Settings {
  return {
    port: Number(env["ZM_PORT"] ?? 4600),
    database: {
      host: "127.0.0.1",
      port: Number(env["ZM_DB_PORT"] ?? 4601),
      username: env["ZM_DB_USER"] ?? "zealous",
      password: env["ZM_DB_PASSWORD"] ?? "zealous",
      name: env["ZM_DB_NAME"] ?? "zealous_mark",
    },
    pages: env["ZM_PAGES"] ?? fileURLToPath(new URL("../../web/dist", import.meta.url)),
  };
}
