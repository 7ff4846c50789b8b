import { ApiProperty } from "@nestjs/swagger";
import { PRESSES, type PressRequest } from "@zm/protocol";
import { IsIn, IsNumber, IsOptional, IsString, Max, MaxLength, Min } from "class-validator";

/** Something pressed on a running list. */
export class PressDto implements PressRequest {
  @ApiProperty({ enum: PRESSES })
  @IsIn(PRESSES, { message: `press is one of ${PRESSES.join(", ")}` })
  press: PressRequest["press"];

  @ApiProperty({
    required: false,
    description: "go: the cue that the window showed as next, so that two presses at once fire one cue. goto: the cue to go to.",
  })
  @IsOptional()
  @IsString()
  @MaxLength(12)
  cue?: string | undefined;

  @ApiProperty({ required: false, description: "goto: seconds for every key; left out, the cue's own times" })
  @IsOptional()
  @IsNumber()
  @Min(0, { message: "time is 0 seconds or more" })
  @Max(3600)
  time?: number | undefined;

  @ApiProperty({ required: false, description: "The list; the first when left out" })
  @IsOptional()
  @IsString()
  @MaxLength(64)
  list?: string | undefined;
}
