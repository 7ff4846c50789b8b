import { Readable } from "node:stream";
import { Body, Controller, Get, HttpCode, Param, ParseIntPipe, Post, Query, StreamableFile } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import { compactPieces } from "@zm/core";
import type { EditEvent, HistoryPage, SameCues, VersionsReply } from "@zm/protocol";
import { authorOf } from "../shared/author.ts";
import { textInSlices } from "../shared/slices.ts";
import { BackDto, VersionDto } from "./history.dto.ts";
import { PastService } from "./past.service.ts";
import { Needs, Who } from "../people/person.ts";
import type { Person } from "@zm/protocol";

@ApiTags("history")
@Controller("api/shows/:id")
export class PastController {
  constructor(private readonly past: PastService) {}

  @Get("history")
  @Needs("see")
  @ApiOperation({ summary: "A page of all edits, the newest first, and the states that have names" })
  page(
    @Param("id", ParseIntPipe) id: number,
    @Query("before", new ParseIntPipe({ optional: true })) before?: number,
  ): Promise<HistoryPage> {
    return this.past.page(id, before);
  }

  @Post("versions")
  @Needs("edit")
  @HttpCode(200)
  @ApiOperation({ summary: "Name the state after an edit; an empty name takes the name away" })
  async name(@Param("id", ParseIntPipe) id: number, @Body() { revision, name }: VersionDto): Promise<VersionsReply> {
    return { versions: await this.past.name(id, revision, name) };
  }

  @Get("at/:revision")
  @Needs("see")
  @ApiOperation({ summary: "The show as it was after an edit" })
  async at(@Param("id", ParseIntPipe) id: number, @Param("revision", ParseIntPipe) revision: number): Promise<StreamableFile> {
    const show = await this.past.showAt(id, revision);
    const pieces = function* (): Generator<string> {
      yield `{"revision":${revision},"show":`;
      yield* compactPieces(show);
      yield "}";
    };
    return new StreamableFile(Readable.from(textInSlices(pieces())), { type: "application/json" });
  }

  @Get("at/:revision/cues")
  @Needs("see")
  @ApiOperation({ summary: "Which cue is which between the state after an edit and a later one, or the newest" })
  sameCues(
    @Param("id", ParseIntPipe) id: number,
    @Param("revision", ParseIntPipe) revision: number,
    @Query("to", new ParseIntPipe({ optional: true })) to?: number,
  ): Promise<SameCues> {
    return this.past.sameCues(id, revision, to);
  }

  @Post("back")
  @Needs("edit")
  @HttpCode(200)
  @ApiOperation({ summary: "Make the show what it was after an edit; an edit that can be taken back" })
  back(@Param("id", ParseIntPipe) id: number, @Body() body: BackDto, @Who() who: Person): Promise<EditEvent> {
    return this.past.goBack(id, body.revision, authorOf(body, who));
  }
}
