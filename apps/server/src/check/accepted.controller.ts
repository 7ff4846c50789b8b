import { Body, Controller, Get, HttpCode, Param, ParseIntPipe, Post } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import type { AcceptedReply } from "@zm/protocol";
import { AcceptDto } from "./accepted.dto.ts";
import { AcceptedService } from "./accepted.service.ts";
import { Needs } from "../people/person.ts";

@ApiTags("check")
@Controller("api/shows/:id/accepted")
export class AcceptedController {
  constructor(private readonly accepted: AcceptedService) {}

  @Get()
  @Needs("see")
  @ApiOperation({ summary: "The findings of Check that somebody has accepted, with their notes" })
  async all(@Param("id", ParseIntPipe) id: number): Promise<AcceptedReply> {
    return { accepted: await this.accepted.all(id) };
  }

  @Post()
  @Needs("edit")
  @HttpCode(200)
  @ApiOperation({ summary: "Accept findings with a note, or show them again" })
  async accept(@Param("id", ParseIntPipe) id: number, @Body() { findings, note }: AcceptDto): Promise<AcceptedReply> {
    return { accepted: await this.accepted.accept(id, findings, note) };
  }
}
