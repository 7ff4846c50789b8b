import { Body, Controller, Get, HttpCode, Param, ParseIntPipe, Post } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import { PressDto } from "./run.dto.ts";
import type { RunEvent, RunState } from "@zm/protocol";
import { RunService } from "./run.service.ts";

@ApiTags("run")
@Controller("api/shows/:id/run")
export class RunController {
  constructor(private readonly runs: RunService) {}

  @Get()
  @ApiOperation({ summary: "Where the first list stands" })
  state(@Param("id", ParseIntPipe) id: number): Promise<RunState> {
    return this.runs.state(id);
  }

  @Post()
  @HttpCode(200)
  @ApiOperation({ summary: "Press go, back, hold, or go to a cue" })
  press(@Param("id", ParseIntPipe) id: number, @Body() body: PressDto): Promise<RunEvent> {
    return this.runs.press(id, body);
  }
}
