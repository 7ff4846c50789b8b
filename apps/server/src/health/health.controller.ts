import { Controller, Get } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import {
  HealthCheck,
  type HealthCheckResult,
  HealthCheckService,
  type HealthIndicatorResult,
  HealthIndicatorService,
} from "@nestjs/terminus";
import { Mix, emptyShow, readShow, sheetOf, takeSteps } from "@zm/core";
import { DatabaseWatch } from "../database/databaseWatch.ts";

/** Whether the server can do its work: 200 when it can, 503 with what is wrong when it cannot. */
@ApiTags("health")
@Controller("api/health")
export class HealthController {
  constructor(
    private readonly health: HealthCheckService,
    private readonly indicators: HealthIndicatorService,
    private readonly database: DatabaseWatch,
  ) {}

  @Get()
  @HealthCheck()
  @ApiOperation({ summary: "Whether the database answers and the engine computes" })
  check(): Promise<HealthCheckResult> {
    return this.health.check([() => this.databaseHealth(), () => this.engineHealth()]);
  }

  private databaseHealth(): HealthIndicatorResult {
    const indicator = this.indicators.check("database");
    return this.database.away.value ? indicator.down("The database does not answer; shows run on, and nothing is stored") : indicator.up();
  }

  /** A show of nothing is opened and asked for its next cue, which goes through document, sheet and run. */
  private engineHealth(): HealthIndicatorResult {
    const indicator = this.indicators.check("engine");
    const isWell = !new Mix(takeSteps(sheetOf(readShow(emptyShow("Health"))), [])).go("main", 0);
    return isWell ? indicator.up() : indicator.down("An empty show is not empty");
  }
}
