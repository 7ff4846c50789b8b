import { Body, Controller, HttpCode, Param, ParseIntPipe, Post } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import { authorOf } from "../shared/author.ts";
import { StepDto } from "../shows/shows.dto.ts";
import { RunningEditsDto } from "./history.dto.ts";
import type { RunningReply, StepReply } from "@zm/protocol";
import { HistoryService } from "./history.service.ts";
import { Needs, Who } from "../people/person.ts";
import type { Person } from "@zm/protocol";

@ApiTags("history")
@Controller("api/shows/:id")
export class HistoryController {
  constructor(private readonly history: HistoryService) {}

  @Post("undo")
  @Needs("see")
  @HttpCode(200)
  @ApiOperation({ summary: "Take back the newest step, an edit or what was done to the Hand" })
  undo(@Param("id", ParseIntPipe) id: number, @Body() body: StepDto, @Who() who: Person): Promise<StepReply> {
    return this.history.step(id, "undo", body.step, authorOf(body, who), who);
  }

  @Post("redo")
  @Needs("see")
  @HttpCode(200)
  @ApiOperation({ summary: "Make again what was taken back last" })
  redo(@Param("id", ParseIntPipe) id: number, @Body() body: StepDto, @Who() who: Person): Promise<StepReply> {
    return this.history.step(id, "redo", body.step, authorOf(body, who), who);
  }

  @Post("run/edits")
  @Needs("edit")
  @HttpCode(200)
  @ApiOperation({ summary: "Record or update while the list runs: the edit, the Hand and where the list stands, all or nothing" })
  running(@Param("id", ParseIntPipe) id: number, @Body() body: RunningEditsDto, @Who() who: Person): Promise<RunningReply> {
    return this.history.editRunning(id, body, who);
  }
}
