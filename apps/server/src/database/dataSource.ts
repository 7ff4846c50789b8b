import { DataSource, type DataSourceOptions } from "typeorm";
import type { Settings } from "../settings.ts";
import { entities } from "./entities.ts";
import { AcceptedFindings1764500000000 } from "./migrations/acceptedFindings.ts";
import { CueIdentity1764300000000 } from "./migrations/cueIdentity.ts";
import { EditsAfter1766100000000 } from "./migrations/editsAfter.ts";
import { Entries1766300000000 } from "./migrations/entries.ts";
import { FirstTables1764000000000 } from "./migrations/firstTables.ts";
import { Hands1764100000000 } from "./migrations/hands.ts";
import { HouseLights1766200000000 } from "./migrations/houseLights.ts";
import { Histories1764200000000 } from "./migrations/histories.ts";
import { People1766400000000 } from "./migrations/people.ts";
import { Restate1766000000000 } from "./migrations/restate.ts";
import { RunLog1764800000000 } from "./migrations/runLog.ts";
import { Requests1764900000000 } from "./migrations/requests.ts";
import { RunsOnPurpose1765000000000 } from "./migrations/runsOnPurpose.ts";
import { Running1764600000000 } from "./migrations/running.ts";
import { RunsElsewhere1764700000000 } from "./migrations/runsElsewhere.ts";
import { Versions1764400000000 } from "./migrations/versions.ts";

/** How TypeORM reaches the database. Tables come from migrations alone. */
export function databaseOptions(database: Settings["database"]): DataSourceOptions {
  return {
    type: "mariadb",
    host: database.host,
    port: database.port,
    username: database.username,
    password: database.password,
    database: database.name,
    charset: "utf8mb4",
    timezone: "Z",
    entities,
    migrations: [
      FirstTables1764000000000,
      Hands1764100000000,
      Histories1764200000000,
      CueIdentity1764300000000,
      Versions1764400000000,
      AcceptedFindings1764500000000,
      Running1764600000000,
      RunsElsewhere1764700000000,
      RunLog1764800000000,
      Requests1764900000000,
      RunsOnPurpose1765000000000,
      Restate1766000000000,
      EditsAfter1766100000000,
      HouseLights1766200000000,
      Entries1766300000000,
      People1766400000000,
    ],
    synchronize: false,
    // A database that is gone answers at once; one that hangs is not waited for long.
    connectTimeout: 3000,
  };
}

/** Opens the database and brings its tables up to date; each step of that can be begun again, wherever it was cut off. */
export async function openDatabase(settings: Pick<Settings, "database">): Promise<DataSource> {
  const source = await connectDatabase(settings.database);
  await source.runMigrations({ transaction: "each" });
  return source;
}

/** Opens the database as it stands. */
export function connectDatabase(database: Settings["database"]): Promise<DataSource> {
  return new DataSource(databaseOptions(database)).initialize();
}
