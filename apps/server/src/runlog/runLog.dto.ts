import { ApiProperty } from "@nestjs/swagger";
import type { BeginRunRequest, NameRunRequest } from "@zm/protocol";
import { IsNumber, IsOptional, IsString, Max, MaxLength, Min } from "class-validator";

/** A run that is begun. */
export class BeginRunDto implements BeginRunRequest {
  @ApiProperty({ description: "What it is called", example: "second dress" })
  @IsString({ message: "name is what the run is called" })
  @MaxLength(200)
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

/** A name for a run. */
export class NameRunDto implements NameRunRequest {
  @ApiProperty({ description: "What it is called; empty for its date alone", example: "second dress" })
  @IsString({ message: "name is what the run is called" })
  @MaxLength(200)
  name: string;
}
