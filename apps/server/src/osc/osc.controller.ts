import { Body, Controller, Get, Put } from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import type { OscState } from "@zm/protocol";
import { OscDto } from "./osc.dto.ts";
import { OscService } from "./osc.service.ts";
import { Needs } from "../people/person.ts";

@ApiTags("osc")
@Controller("api/osc")
export class OscController {
  constructor(private readonly osc: OscService) {}

  @Get()
  @Needs("see")
  @ApiOperation({ summary: "How programs outside reach the show that runs, and what was said last" })
  state(): OscState {
    return this.osc.state();
  }

  @Put()
  @Needs("edit")
  @ApiOperation({ summary: "Listen to programs outside, or no longer, and say where" })
  set(@Body() { on, address, show, from }: OscDto): Promise<OscState> {
    return this.osc.set({ on, address, show, from });
  }
}
