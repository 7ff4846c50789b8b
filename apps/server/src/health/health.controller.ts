import { setTimeout } from "node:timers/promises";
import { Controller, Get, ServiceUnavailableException } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import {
  HealthCheck,
  type HealthCheckResult,
  HealthCheckService,
  type HealthIndicatorResult,
  HealthIndicatorService,
} from "@nestjs/terminus";
import { Lease } from "../lease/lease.ts";
import { DatabaseWatch } from "../database/databaseWatch.ts";
import { RunService } from "../run/run.service.ts";
import { OpenToAll } from "../people/person.ts";

/** An engine that has not answered after so long stands still. Milliseconds. */
const LONGEST_ANSWER = 1000;

/** Whether the server can do its work: 200 when it can, 503 with what is wrong when it cannot. */
@ApiTags("health")
@Controller("api/health")
export class HealthController {
  constructor(
    private readonly health: HealthCheckService,
    private readonly indicators: HealthIndicatorService,
    private readonly database: DatabaseWatch,
    private readonly runs: RunService,
    private readonly lease: Lease,
  ) {}

  @Get()
  @OpenToAll()
  @HealthCheck()
  @ApiOperation({
    summary:
      "Whether the database answers and the engine keeps its frames; with how late these came since this was last asked, milliseconds",
  })
  check(): Promise<HealthCheckResult> {
    return this.health.check([() => this.databaseHealth(), () => this.engineHealth()]);
  }

  @Get("lead")
  @OpenToAll()
  @ApiOperation({ summary: "200 where this server leads, or follows one that does; else 503: for windows whose own server is silent" })
  lead(): { leads: boolean } {
    const { leads, role, isLeaderSilent } = this.lease;
    if (leads || (role.value === "follows" && !isLeaderSilent)) return { leads };
    throw new ServiceUnavailableException("No server leads that is known here");
  }

  private databaseHealth(): HealthIndicatorResult {
    const indicator = this.indicators.check("database");
    return this.database.away.value ? indicator.down("The database does not answer; shows run on, and nothing is stored") : indicator.up();
  }

  /** The engine that runs the shows is asked itself: it answers between two of its frames. */
  private async engineHealth(): Promise<HealthIndicatorResult> {
    const indicator = this.indicators.check("engine");
    const pace = await Promise.race([this.runs.pace().catch(() => undefined), setTimeout(LONGEST_ANSWER, undefined, { ref: false })]);
    return pace ? indicator.up({ ...pace }) : indicator.down("The engine does not answer; no levels leave and nothing can be fired");
  }
}
