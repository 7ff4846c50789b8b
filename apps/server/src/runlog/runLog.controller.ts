import { Body, Controller, Delete, Get, Header, HttpCode, Param, ParseIntPipe, Patch, Post, Query } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import type { LoggedRunReply, LoggedRunsReply, RunsReply } from "@zm/protocol";
import { BeginRunDto, ChangeRunDto } from "./runLog.dto.ts";
import { RunLogService } from "./runLog.service.ts";
import { Needs } from "../people/person.ts";

@ApiTags("run log")
@Controller("api/shows/:id")
export class RunLogController {
  constructor(private readonly runLog: RunLogService) {}

  @Get("runs")
  @Needs("see")
  @ApiOperation({ summary: "The runs of a show, the newest first" })
  all(@Param("id", ParseIntPipe) id: number): Promise<RunsReply> {
    return this.runLog.all(id);
  }

  @Post("runs")
  @Needs("run")
  @HttpCode(200)
  @ApiOperation({ summary: "Begin a run: what is fired from now on belongs to it" })
  begin(@Param("id", ParseIntPipe) id: number, @Body() { name, speed }: BeginRunDto): Promise<RunsReply> {
    return this.runLog.begin(id, name, speed ?? 1);
  }

  @Get("runs/newest")
  @Needs("see")
  @ApiOperation({ summary: "The newest runs with their entries, for times between cues" })
  async newest(@Param("id", ParseIntPipe) id: number): Promise<LoggedRunsReply> {
    return { runs: await this.runLog.newest(id) };
  }

  @Get("runs.csv")
  @Needs("see")
  @Header("Content-Type", "text/csv; charset=utf-8")
  @Header("Content-Disposition", 'attachment; filename="runs.csv"')
  @ApiOperation({ summary: "All runs, or one, as a table" })
  csv(@Param("id", ParseIntPipe) id: number, @Query("run", new ParseIntPipe({ optional: true })) run?: number): Promise<string> {
    return this.runLog.csv(id, run);
  }

  @Get("runs/:run")
  @Needs("see")
  @ApiOperation({ summary: "One run with its entries" })
  run(@Param("id", ParseIntPipe) id: number, @Param("run", ParseIntPipe) run: number): Promise<LoggedRunReply> {
    return this.runLog.run(id, run);
  }

  @Patch("runs/:run")
  @Needs("run")
  @ApiOperation({ summary: "Name a run, end it, or say whether its times count" })
  change(@Param("id", ParseIntPipe) id: number, @Param("run", ParseIntPipe) run: number, @Body() body: ChangeRunDto): Promise<RunsReply> {
    return this.runLog.change(id, run, body);
  }

  @Delete("runs/:run")
  @Needs("edit")
  @ApiOperation({ summary: "Remove a run with what was fired in it" })
  remove(@Param("id", ParseIntPipe) id: number, @Param("run", ParseIntPipe) run: number): Promise<RunsReply> {
    return this.runLog.remove(id, run);
  }
}
