import { Body, Controller, Get, Put } from "@nestjs/common";
import { ApiOperation, ApiProperty, ApiTags } from "@nestjs/swagger";
import { type OutputSettings, type OutputState, type SentLevels, outputSettings } from "@zm/protocol";
import { ShowError, faultsOf } from "@zm/core";
import { IsBoolean, IsObject } from "class-validator";
import { IsAddress } from "../shared/isAddress.ts";
import { RunService } from "./run.service.ts";
import { Needs } from "../people/person.ts";

/** How levels leave for the lights. */
export class OutputDto implements OutputSettings {
  @ApiProperty()
  @IsBoolean({ message: "on is true or false" })
  on: boolean;

  @ApiProperty({ example: "127.0.0.1:5568" })
  @IsAddress("address", "127.0.0.1:5568")
  address: string;

  @ApiProperty({ description: "By universe, where it goes elsewhere", type: Object })
  @IsObject({ message: "universes is an object: an address for each universe that goes elsewhere" })
  universes: Record<string, string>;
}

@ApiTags("output")
@Controller("api/output")
export class OutputController {
  constructor(private readonly runs: RunService) {}

  @Get()
  @Needs("see")
  @ApiOperation({ summary: "How levels leave for the lights" })
  settings(): Promise<OutputState> {
    return this.runs.output();
  }

  @Put()
  @Needs("edit")
  @ApiOperation({ summary: "Switch the output on or off, and say where it goes" })
  set(@Body() body: OutputDto): Promise<OutputState> {
    const parsed = outputSettings.safeParse({ ...body });
    if (parsed.success) return this.runs.setOutput(parsed.data);
    throw new ShowError(faultsOf(parsed.error, body));
  }

  @Get("levels")
  @Needs("see")
  @ApiOperation({ summary: "What was sent last" })
  levels(): Promise<SentLevels> {
    return this.runs.sentLevels();
  }
}
