import { ApiProperty } from "@nestjs/swagger";
import { IsIn, IsNumber, IsOptional, IsString, Max, MaxLength, Min } from "class-validator";

const PRESSES = ["go", "back", "hold", "goto"] as const;
export type PressName = (typeof PRESSES)[number];

/** Something pressed on a running list. */
export class PressDto {
  @ApiProperty({ enum: PRESSES })
  @IsIn(PRESSES, { message: `press is one of ${PRESSES.join(", ")}` })
  press: PressName;

  @ApiProperty({
    required: false,
    description: "go: the cue that the window showed as next, so that two presses at once fire one cue. goto: the cue to go to.",
  })
  @IsOptional()
  @IsString()
  @MaxLength(12)
  cue?: string;

  @ApiProperty({ required: false, description: "goto: seconds for every key; left out, the cue's own times" })
  @IsOptional()
  @IsNumber()
  @Min(0, { message: "time is 0 seconds or more" })
  @Max(3600)
  time?: number;

  @ApiProperty({ required: false, description: "The list; the first when left out" })
  @IsOptional()
  @IsString()
  @MaxLength(64)
  list?: string;
}
