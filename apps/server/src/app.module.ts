import { type DynamicModule, Module } from "@nestjs/common";
import { DataSource } from "typeorm";
import { HandController } from "./hand/hand.controller.ts";
import { HandService } from "./hand/hand.service.ts";
import { LiveGateway } from "./live/live.gateway.ts";
import { RunController } from "./run/run.controller.ts";
import { RunService } from "./run/run.service.ts";
import { ShowsController } from "./shows/shows.controller.ts";
import { ShowsService } from "./shows/shows.service.ts";

/** The whole server over a database that is already open. */
@Module({})
export class AppModule {
  static over(database: DataSource): DynamicModule {
    return {
      module: AppModule,
      controllers: [ShowsController, RunController, HandController],
      providers: [{ provide: DataSource, useValue: database }, ShowsService, RunService, HandService, LiveGateway],
    };
  }
}
