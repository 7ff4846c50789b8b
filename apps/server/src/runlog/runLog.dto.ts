import { ApiProperty } from "@nestjs/swagger";
import type { BeginRunRequest, ChangeRunRequest } from "@zm/protocol";
import { IsPlain } from "../shared/isPlain.ts";
import { Equals, IsBoolean, IsNumber, IsOptional, IsString, Max, MaxLength, Min } from "class-validator";

/** A run that is begun. */
export class BeginRunDto implements BeginRunRequest {
  @ApiProperty({ description: "What it is called", example: "second dress" })
  @IsString({ message: "name is what the run is called" })
  @MaxLength(200, { message: "name is at most 200 characters" })
  @IsPlain("name")
  name: string;

  @ApiProperty({
    required: false,
    description: "How many times as fast as it is spoken the play is called; other than 1, its times are not counted",
  })
  @IsOptional()
  @IsNumber()
  @Min(0.1, { message: "speed is 0.1 to 60" })
  @Max(60, { message: "speed is 0.1 to 60" })
  speed?: number | undefined;
}

/** What is changed of a run. */
export class ChangeRunDto implements ChangeRunRequest {
  @ApiProperty({ required: false, description: "What it is called; empty for its date alone", example: "second dress" })
  @IsOptional()
  @IsString({ message: "name is what the run is called" })
  @MaxLength(200, { message: "name is at most 200 characters" })
  @IsPlain("name")
  name?: string | undefined;

  @ApiProperty({ required: false, description: "Whether its times serve the planner and the pace" })
  @IsOptional()
  @IsBoolean({ message: "counts is true or false" })
  counts?: boolean | undefined;

  @ApiProperty({ required: false, description: "Ends a run that was begun: what is fired afterwards is not of it" })
  @IsOptional()
  @Equals(true, { message: "ends is true, or left out" })
  ends?: true | undefined;
}
