import { Body, Controller, Get, HttpCode, Param, ParseIntPipe, Post } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import { HandChangesDto } from "./hand.dto.ts";
import { HandService, type HandNews, type HandReply } from "./hand.service.ts";

@ApiTags("hand")
@Controller("api/shows/:id/hand")
export class HandController {
  constructor(private readonly hands: HandService) {}

  @Get()
  @ApiOperation({ summary: "What is in hand" })
  state(@Param("id", ParseIntPipe) id: number): Promise<HandNews> {
    return this.hands.state(id);
  }

  @Post()
  @HttpCode(200)
  @ApiOperation({ summary: "Take values in hand, time them, let them go, take them up again, or say that they were recorded" })
  change(@Param("id", ParseIntPipe) id: number, @Body() { changes }: HandChangesDto): Promise<HandReply> {
    return this.hands.change(id, changes);
  }

  @Post("back")
  @HttpCode(200)
  @ApiOperation({ summary: "The Hand as it was before the last step" })
  back(@Param("id", ParseIntPipe) id: number): Promise<HandReply> {
    return this.hands.back(id);
  }
}
