import { join } from "node:path";
import { fileURLToPath } from "node:url";
import {
  IsBoolean,
  IsIn,
  IsInt,
  IsNotEmpty,
  IsOptional,
  IsString,
  Matches,
  Max,
  Min,
  MinLength,
  type ValidationError,
  ValidateNested,
  validateSync,
} from "class-validator";

import { newToken } from "./people/tokens.ts";
import { IsAddress } from "./shared/isAddress.ts";

const LEVELS = ["debug", "info", "warn", "error", "silent"] as const;

/** How the database is reached: on this machine, or on another that several servers share. */
class DatabaseSettings {
  @Matches(/^[A-Za-z0-9][A-Za-z0-9.-]{0,252}$/, { message: "ZM_DB_HOST is the address of the database's machine, such as 10.0.0.7" })
  readonly host: string;

  @IsInt({ message: "ZM_DB_PORT is a port, a whole number such as 4601" })
  @Min(1, { message: "ZM_DB_PORT is a port, 1 to 65535" })
  @Max(65_535, { message: "ZM_DB_PORT is a port, 1 to 65535" })
  readonly port: number;

  @IsNotEmpty({ message: "ZM_DB_USER is empty; it names the database's user" })
  readonly username: string;

  @IsNotEmpty({ message: "ZM_DB_PASSWORD is missing; ./start keeps it beside the data, in the file password" })
  readonly password: string;

  @Matches(/^\w{1,64}$/, { message: "ZM_DB_NAME is the name of a database: letters, digits and _" })
  readonly name: string;
}

/** Where the server listens and where its database is. A class, so that Nest can inject it. */
export class Settings {
  @IsInt({ message: "ZM_PORT is a port, a whole number such as 4600" })
  @Min(0, { message: "ZM_PORT is a port, 0 to 65535" })
  @Max(65_535, { message: "ZM_PORT is a port, 0 to 65535" })
  readonly port: number;

  /** The host at which it listens: this machine alone, or an address at which other machines reach it; those sign in. */
  @Matches(/^(\d{1,3}(\.\d{1,3}){3}|[A-Za-z][A-Za-z0-9.-]{0,252})$/, {
    message: "ZM_HOST is an address of this machine such as 10.0.0.5, or 0.0.0.0 for all of them",
  })
  readonly host: string;

  /** Where other machines reach it, where that is not what it listens at: a name of its certificate, or an address in front of it. */
  @IsOptional()
  @Matches(/^https?:\/\/[A-Za-z0-9][A-Za-z0-9.-]{0,252}(:\d{1,5})?$/, {
    message: "ZM_ADDRESS is where other machines reach this server, such as https://desk.local:4600",
  })
  readonly address: string | undefined;

  /** The user's own certificate for other machines, and its key; PEM files. Without them one is made. */
  @IsOptional()
  @IsNotEmpty({ message: "ZM_TLS_CERT is empty; it names a file" })
  readonly tlsCert: string | undefined;

  @IsOptional()
  @IsNotEmpty({ message: "ZM_TLS_KEY is empty; it names a file" })
  readonly tlsKey: string | undefined;

  /** The server that leads these shows, of which this one is a spare. */
  @IsOptional()
  @Matches(/^[A-Za-z0-9][A-Za-z0-9.-]{0,252}(:\d{1,5})?$/, {
    message: "ZM_SPARE_OF is the address of the server that leads, such as 10.0.0.5 or 10.0.0.5:4600",
  })
  readonly spareOf: string | undefined;

  /** What programs that run beside the server carry, such as the simulated lights. */
  @MinLength(32, { message: "ZM_LOCAL_KEY is a secret of 32 letters or more; leave it out and one is made" })
  readonly localKey: string;

  @ValidateNested()
  readonly database: DatabaseSettings;

  /** The program that calls the play. */
  @IsString()
  readonly caller: string;

  /** The folder of the built page. */
  @IsString()
  readonly pages: string;

  /** The folder in which what runs is written down. */
  @IsNotEmpty({ message: "ZM_DATA is empty; it names the folder of the server's own data" })
  readonly runs: string;

  /** The folder in which backups are made where nobody names another. It stays when the data is thrown away. */
  @IsNotEmpty({ message: "ZM_BACKUPS is empty; it names the folder of backups" })
  readonly backups: string;

  /** An address to which levels are sent from the start, whatever the settings page says. */
  @IsOptional()
  @IsAddress("ZM_OUTPUT", "127.0.0.1:5568")
  readonly output: string | undefined;

  /** An address at which programs outside are listened to from the start, whatever the settings page says. */
  @IsOptional()
  @IsAddress("ZM_OSC", "127.0.0.1:8765")
  readonly osc: string | undefined;

  /** Whether shows run in the thread that serves, instead of one of their own. */
  @IsBoolean()
  readonly engineHere: boolean;

  @IsIn(LEVELS, { message: `ZM_LOG_LEVEL is one of ${LEVELS.join(", ")}` })
  readonly logLevel: (typeof LEVELS)[number];
}

/** Reads the settings from the environment that the start and test commands set. Throws an Error that names every setting that is wrong. */
export function readSettings(env: NodeJS.ProcessEnv): Settings {
  const level = env["ZM_LOG_LEVEL"] ?? "info";
  const database = Object.assign(new DatabaseSettings(), {
    host: env["ZM_DB_HOST"] ?? "127.0.0.1",
    port: Number(env["ZM_DB_PORT"] ?? 4601),
    username: env["ZM_DB_USER"] ?? "zealous",
    password: env["ZM_DB_PASSWORD"] ?? "",
    name: env["ZM_DB_NAME"] ?? "zealous_mark",
  });
  const settings = Object.assign(new Settings(), {
    port: Number(env["ZM_PORT"] ?? 4600),
    host: env["ZM_HOST"] ?? "127.0.0.1",
    address: env["ZM_ADDRESS"],
    tlsCert: env["ZM_TLS_CERT"],
    tlsKey: env["ZM_TLS_KEY"],
    spareOf: env["ZM_SPARE_OF"],
    localKey: env["ZM_LOCAL_KEY"] ?? newToken(),
    database,
    caller: fileURLToPath(new URL("../../caller/dist/main.js", import.meta.url)),
    pages: env["ZM_PAGES"] ?? fileURLToPath(new URL("../../web/dist", import.meta.url)),
    runs: join(env["ZM_DATA"] ?? fileURLToPath(new URL("../../../.data", import.meta.url)), "runs", database.name),
    backups: env["ZM_BACKUPS"] ?? join(env["ZM_DATA"] ?? fileURLToPath(new URL("../../../.data", import.meta.url)), "backups"),
    output: env["ZM_OUTPUT"],
    osc: env["ZM_OSC"],
    engineHere: false,
    logLevel: LEVELS.find((known) => known === level) ?? level,
  });
  const faults = validateSync(settings).flatMap(messagesOf);
  if ((settings.tlsCert === undefined) !== (settings.tlsKey === undefined))
    faults.push("ZM_TLS_CERT and ZM_TLS_KEY go together; one of them is missing");
  if (faults.length > 0) throw new Error(faults.join("; "));
  return settings;
}

function messagesOf({ constraints = {}, children = [] }: ValidationError): string[] {
  return [...Object.values(constraints), ...children.flatMap(messagesOf)];
}
