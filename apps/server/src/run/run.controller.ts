import { Body, Controller, Get, HttpCode, Param, ParseIntPipe, Post } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import { readPress } from "@zm/core";
import { PressDto } from "./run.dto.ts";
import type { Person, RunEvent, RunState } from "@zm/protocol";
import { RunService } from "./run.service.ts";
import { Needs, Who } from "../people/person.ts";

@ApiTags("run")
@Controller("api/shows/:id/run")
export class RunController {
  constructor(private readonly runs: RunService) {}

  @Get()
  @Needs("see")
  @ApiOperation({ summary: "All that runs: where each list stands, and what every key was told" })
  state(@Param("id", ParseIntPipe) id: number): Promise<RunState> {
    return this.runs.state(id);
  }

  @Post()
  @Needs("run")
  @HttpCode(200)
  @ApiOperation({
    summary: "Press something: go, back, hold, go to a cue, release, a master, a rate, a held look, a tempo, what goes together",
  })
  press(@Param("id", ParseIntPipe) id: number, @Body() body: PressDto, @Who() { name }: Person): Promise<RunEvent> {
    return this.runs.press(id, readPress(body), { by: "window", who: name ?? "" });
  }
}
