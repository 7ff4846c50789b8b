import { Body, Controller, Get, HttpCode, Param, ParseIntPipe, Post } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import { listOf, rowOf } from "@zm/core";
import type { KeptReply, Person } from "@zm/protocol";
import { Needs, Who } from "../people/person.ts";
import { KeptCues } from "./keptCues.ts";
import { KeepDto } from "./shows.dto.ts";
import { ShowsService } from "./shows.service.ts";

@ApiTags("shows")
@Controller("api/shows/:id/kept")
export class KeptController {
  constructor(
    private readonly kept: KeptCues,
    private readonly shows: ShowsService,
  ) {}

  @Get()
  @Needs("see")
  @ApiOperation({ summary: "The cues that somebody keeps for themselves for a while" })
  async all(@Param("id", ParseIntPipe) id: number): Promise<KeptReply> {
    await this.shows.show(id);
    return { kept: this.kept.of(id) };
  }

  @Post()
  @HttpCode(200)
  @Needs("edit")
  @ApiOperation({ summary: "Keep a cue for ten minutes, or no more; what somebody else keeps is taken over" })
  async keep(@Param("id", ParseIntPipe) id: number, @Body() body: KeepDto, @Who() { name }: Person): Promise<KeptReply> {
    const { sheet } = await this.shows.show(id);
    const list = listOf(sheet, body.list);
    rowOf(list, body.cue);
    if (body.keep) this.kept.keep(id, list.id, body.cue, { window: body.window, person: name });
    else this.kept.release(id, list.id, body.cue);
    return { kept: this.kept.of(id) };
  }
}
