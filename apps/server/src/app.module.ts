import { type DynamicModule, Module } from "@nestjs/common";
import { APP_GUARD } from "@nestjs/core";
import { TerminusModule } from "@nestjs/terminus";
import { ThrottlerModule } from "@nestjs/throttler";
import { DataSource } from "typeorm";
import { BackupsController } from "./backups/backups.controller.ts";
import { BackupsService } from "./backups/backups.service.ts";
import { HealthController } from "./health/health.controller.ts";
import { DatabaseWatch } from "./database/databaseWatch.ts";
import { HistoryController } from "./history/history.controller.ts";
import { HistoryService } from "./history/history.service.ts";
import { AcceptedController } from "./check/accepted.controller.ts";
import { AcceptedService } from "./check/accepted.service.ts";
import { OutputController } from "./run/output.controller.ts";
import { PastController } from "./history/past.controller.ts";
import { PastService } from "./history/past.service.ts";
import { HandController } from "./hand/hand.controller.ts";
import { HandService } from "./hand/hand.service.ts";
import { IdleShows } from "./live/idleShows.ts";
import { LiveGateway } from "./live/live.gateway.ts";
import { CallerController } from "./osc/caller.controller.ts";
import { CallerService } from "./osc/caller.service.ts";
import { OscController } from "./osc/osc.controller.ts";
import { OscService } from "./osc/osc.service.ts";
import { RunController } from "./run/run.controller.ts";
import { RunService } from "./run/run.service.ts";
import { RunLogController } from "./runlog/runLog.controller.ts";
import { RunLogService } from "./runlog/runLog.service.ts";
import { Lease } from "./lease/lease.ts";
import { StageController } from "./run/stage.controller.ts";
import { Troubles } from "./shared/troubles.ts";
import { Certificate } from "./door/certificate.ts";
import { AccessGuard } from "./people/access.guard.ts";
import { PeopleController } from "./people/people.controller.ts";
import { PeopleService } from "./people/people.service.ts";
import { Settings } from "./settings.ts";
import { FollowingService } from "./spare/following.service.ts";
import { PassOn } from "./spare/passOn.ts";
import { ServersController } from "./spare/servers.controller.ts";
import { SpareGateway } from "./spare/spare.gateway.ts";
import { SparesService } from "./spare/spares.service.ts";
import { ImportFile } from "./shows/importFile.ts";
import { Imports } from "./shows/imports.ts";
import { KeptController } from "./shows/kept.controller.ts";
import { KeptCues } from "./shows/keptCues.ts";
import { ShowsController } from "./shows/shows.controller.ts";
import { ShowsService } from "./shows/shows.service.ts";

/** So often a minute somebody may try to sign in, or to use an invitation. */
const TRIES = 10;
const MINUTE = 60_000;

/** The whole server over a database that is already open. */
@Module({})
export class AppModule {
  static over(database: DataSource, settings: Settings, lock: Lease, certificate: Certificate): DynamicModule {
    return {
      module: AppModule,
      imports: [
        TerminusModule.forRoot({ logger: false }),
        ThrottlerModule.forRoot({
          throttlers: [{ ttl: MINUTE, limit: TRIES }],
          errorMessage: "That was tried too often; wait a minute and try again",
        }),
      ],
      controllers: [
        ShowsController,
        RunController,
        HandController,
        HistoryController,
        PastController,
        AcceptedController,
        HealthController,
        OutputController,
        StageController,
        RunLogController,
        OscController,
        CallerController,
        BackupsController,
        PeopleController,
        KeptController,
        ServersController,
      ],
      providers: [
        { provide: DataSource, useValue: database },
        { provide: Settings, useValue: settings },
        { provide: Lease, useValue: lock },
        { provide: Certificate, useValue: certificate },
        { provide: APP_GUARD, useClass: AccessGuard },
        PeopleService,
        Troubles,
        DatabaseWatch,
        Imports,
        ImportFile,
        KeptCues,
        ShowsService,
        RunService,
        HandService,
        HistoryService,
        PastService,
        AcceptedService,
        RunLogService,
        OscService,
        CallerService,
        BackupsService,
        LiveGateway,
        IdleShows,
        SparesService,
        SpareGateway,
        FollowingService,
        PassOn,
      ],
    };
  }
}
