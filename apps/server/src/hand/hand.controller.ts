import {
  Body,
  Controller,
  Delete,
  Get,
  Header,
  HttpCode,
  NotFoundException,
  Param,
  ParseIntPipe,
  Post,
  StreamableFile,
} from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import { authorOf } from "../shared/author.ts";
import { HandChangesDto } from "./hand.dto.ts";
import type { HandReply, HandState } from "@zm/protocol";
import { HandService } from "./hand.service.ts";
import { Needs, Who } from "../people/person.ts";
import type { Person } from "@zm/protocol";

@ApiTags("hand")
@Controller("api/shows/:id/hand")
export class HandController {
  constructor(private readonly hands: HandService) {}

  @Get()
  @Needs("see")
  @ApiOperation({ summary: "What is in hand" })
  state(@Param("id", ParseIntPipe) id: number): Promise<HandState> {
    return this.hands.state(id);
  }

  @Post()
  @Needs("run")
  @HttpCode(200)
  @ApiOperation({ summary: "Take values in hand, time them, let them go, take them up again, or say that they were recorded" })
  change(@Param("id", ParseIntPipe) id: number, @Body() body: HandChangesDto, @Who() who: Person): Promise<HandReply> {
    return this.hands.change(id, body.changes, authorOf(body, who));
  }

  @Get("damaged")
  @Needs("see")
  @ApiOperation({ summary: "A stored Hand that could not be read any more, as it was found" })
  @Header("Cache-Control", "no-store")
  async damaged(@Param("id", ParseIntPipe) id: number): Promise<StreamableFile> {
    const text = await this.hands.damaged(id);
    if (text === undefined) throw new NotFoundException(`Show ${id} has no damaged Hand`);
    return new StreamableFile(Buffer.from(text), { type: "text/plain", disposition: 'attachment; filename="hand.txt"' });
  }

  @Delete("damaged")
  @Needs("run")
  @HttpCode(200)
  @ApiOperation({ summary: "Throw away a Hand that could not be read any more" })
  forget(@Param("id", ParseIntPipe) id: number): Promise<HandState> {
    return this.hands.forgetDamaged(id);
  }
}
