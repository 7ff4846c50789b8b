import { ApiProperty } from "@nestjs/swagger";
import { PRESSES, type PressRequest } from "@zm/protocol";
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsNumber,
  IsOptional,
  IsString,
  Length,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from "class-validator";
import { EntriesAre } from "../shared/bodyPipe.ts";

/** A cue chosen as the next of its list. */
class ChosenDto {
  @ApiProperty()
  @IsString()
  @MaxLength(64)
  list: string;

  @ApiProperty()
  @IsString()
  @MaxLength(12)
  cue: string;
}

/** Something pressed on what runs. */
export class PressDto implements PressRequest {
  @ApiProperty({ enum: PRESSES })
  @IsIn(PRESSES, { message: `press is one of ${PRESSES.join(", ")}` })
  press: PressRequest["press"];

  @ApiProperty({ required: false, description: "A name of its own for this press: the same one twice is done once" })
  @IsOptional()
  @IsString()
  @Length(1, 64)
  id?: string | undefined;

  @ApiProperty({ required: false, description: "The list; the first when left out" })
  @IsOptional()
  @IsString()
  @MaxLength(64)
  list?: string | undefined;

  @ApiProperty({
    required: false,
    description:
      "go: the cue that the window showed as next, so that two presses at once fire one cue. back: the cue in which it showed the list. goto: the cue to go to.",
  })
  @IsOptional()
  @IsString()
  @MaxLength(12)
  cue?: string | undefined;

  @ApiProperty({ required: false, description: "goto, release, master, look: in so many seconds; left out, as the show says" })
  @IsOptional()
  @IsNumber()
  @Min(0, { message: "time is 0 seconds or more" })
  @Max(3600)
  time?: number | undefined;

  @ApiProperty({
    required: false,
    description:
      "hold: whether it is to be held; left out, the other of what it is. go: whether the window showed it held. bump: whether it is pressed; it goes back where nobody says so again within 1.5 s",
  })
  @IsOptional()
  @IsBoolean()
  held?: boolean | undefined;

  @ApiProperty({ required: false, description: "master, fader, look: per cent" })
  @IsOptional()
  @IsNumber()
  @Min(0, { message: "level is 0 to 100" })
  @Max(100, { message: "level is 0 to 100" })
  level?: number | undefined;

  @ApiProperty({ required: false, description: "rate: how many times as fast" })
  @IsOptional()
  @IsNumber()
  @Min(0.01, { message: "rate is 0.01 to 100" })
  @Max(100, { message: "rate is 0.01 to 100" })
  rate?: number | undefined;

  @ApiProperty({ required: false, description: "look: the held look" })
  @IsOptional()
  @IsString()
  @MaxLength(64)
  look?: string | undefined;

  @ApiProperty({ required: false, description: "tempo: the tempo" })
  @IsOptional()
  @IsString()
  @MaxLength(64)
  tempo?: string | undefined;

  @ApiProperty({ required: false, description: "tempo: beats a minute" })
  @IsOptional()
  @IsNumber()
  @Min(1, { message: "perMinute is 1 to 1200" })
  @Max(1200, { message: "perMinute is 1 to 1200" })
  perMinute?: number | undefined;

  @ApiProperty({ required: false, type: [ChosenDto], description: "standby: what goes together with one press" })
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(200)
  @ValidateNested({ each: true })
  @EntriesAre(ChosenDto)
  chosen?: ChosenDto[] | undefined;
}
