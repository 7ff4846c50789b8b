import { Body, Controller, Get, Put } from "@nestjs/common";
import { ApiOperation, ApiProperty, ApiTags } from "@nestjs/swagger";
import type { StageRequest, StageState } from "@zm/protocol";
import { IsInt, Min, ValidateIf } from "class-validator";
import { RunService } from "./run.service.ts";
import { Needs } from "../people/person.ts";

/** Which show is put on stage. */
export class StageDto implements StageRequest {
  @ApiProperty({ type: Number, nullable: true, description: "The number of the show; null takes the one that is there off" })
  @ValidateIf((body: StageDto) => body.show !== null)
  @IsInt({ message: "show is the number of a show, or null" })
  @Min(1, { message: "show is the number of a show, or null" })
  show: number | null;
}

@ApiTags("stage")
@Controller("api/stage")
export class StageController {
  constructor(private readonly runs: RunService) {}

  @Get()
  @Needs("see")
  @ApiOperation({ summary: "The show on stage, and how many of its lights are lit" })
  stage(): Promise<StageState> {
    return this.runs.stage();
  }

  @Put()
  @Needs("run")
  @ApiOperation({ summary: "Put a show on stage: its levels leave for the lights from now on, and what another had lit is dark" })
  put(@Body() { show }: StageDto): Promise<StageState> {
    return this.runs.stage(show);
  }
}
