import { Body, Controller, Delete, Get, HttpCode, Param, ParseIntPipe, Post } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import type { CallerState } from "@zm/protocol";
import { CallerService } from "./caller.service.ts";
import { CallerDto } from "./osc.dto.ts";
import { Needs } from "../people/person.ts";

@ApiTags("caller")
@Controller("api/shows/:id/caller")
export class CallerController {
  constructor(private readonly caller: CallerService) {}

  @Get()
  @Needs("see")
  @ApiOperation({ summary: "Whether the play is being called, and what the caller said last" })
  state(@Param("id", ParseIntPipe) id: number): CallerState {
    return this.caller.state(id);
  }

  @Post()
  @Needs("run")
  @HttpCode(200)
  @ApiOperation({ summary: "Have the play called by the simulated stage manager" })
  start(@Param("id", ParseIntPipe) id: number, @Body() { speed, from }: CallerDto): Promise<CallerState> {
    return this.caller.start(id, { speed, from });
  }

  @Delete()
  @Needs("run")
  @ApiOperation({ summary: "Send the caller away" })
  stop(@Param("id", ParseIntPipe) id: number): Promise<CallerState> {
    return this.caller.stop(id);
  }
}
