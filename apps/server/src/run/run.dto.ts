import { ApiProperty } from "@nestjs/swagger";
import { BEATS, LEVEL, LONGEST_CUE_NUMBER, LONGEST_ID, MOST_CHOSEN, MOST_LIGHTS, PRESSES, PRESS_TIME, RATE } from "@zm/core";
import type { PressRequest } from "@zm/protocol";
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  Length,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from "class-validator";
import { EntriesAre } from "../shared/bodyPipe.ts";

/** What a number may be, in words. */
function within(field: string, { least, most }: { least: number; most: number }): string {
  return `${field} is ${least} to ${most}`;
}

/** A cue chosen as the next of its list. */
class ChosenDto {
  @ApiProperty()
  @IsString()
  @MaxLength(LONGEST_ID)
  list: string;

  @ApiProperty()
  @IsString()
  @MaxLength(LONGEST_CUE_NUMBER)
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
  @Length(1, LONGEST_ID)
  id?: string | undefined;

  @ApiProperty({ required: false, description: "The list; the first when left out" })
  @IsOptional()
  @IsString()
  @MaxLength(LONGEST_ID)
  list?: string | undefined;

  @ApiProperty({
    required: false,
    description:
      "go: the cue that the window showed as next, so that two presses at once fire one cue. back: the cue in which it showed the list. goto: the cue to go to.",
  })
  @IsOptional()
  @IsString()
  @MaxLength(LONGEST_CUE_NUMBER)
  cue?: string | undefined;

  @ApiProperty({
    required: false,
    description: "goto, release, master, look, grand, blackout, allOff: in so many seconds; left out, as the show says",
  })
  @IsOptional()
  @IsNumber()
  @Min(PRESS_TIME.least, { message: `time is ${PRESS_TIME.least} seconds or more` })
  @Max(PRESS_TIME.most)
  time?: number | undefined;

  @ApiProperty({
    required: false,
    description:
      "hold: whether it is to be held; left out, the other of what it is. go: whether the window showed it held. bump: whether it is pressed; it goes back where nobody says so again within 1.5 s. blackout: whether levels are held at 0; left out, the other of what it is",
  })
  @IsOptional()
  @IsBoolean()
  held?: boolean | undefined;

  @ApiProperty({ required: false, description: "master, fader, look, grand: per cent" })
  @IsOptional()
  @IsNumber()
  @Min(LEVEL.least, { message: within("level", LEVEL) })
  @Max(LEVEL.most, { message: within("level", LEVEL) })
  level?: number | undefined;

  @ApiProperty({ required: false, description: "rate: how many times as fast" })
  @IsOptional()
  @IsNumber()
  @Min(RATE.least, { message: within("rate", RATE) })
  @Max(RATE.most, { message: within("rate", RATE) })
  rate?: number | undefined;

  @ApiProperty({ required: false, description: "look: the held look" })
  @IsOptional()
  @IsString()
  @MaxLength(LONGEST_ID)
  look?: string | undefined;

  @ApiProperty({ required: false, description: "tempo: the tempo" })
  @IsOptional()
  @IsString()
  @MaxLength(LONGEST_ID)
  tempo?: string | undefined;

  @ApiProperty({ required: false, description: "tempo: beats a minute" })
  @IsOptional()
  @IsNumber()
  @Min(BEATS.least, { message: within("perMinute", BEATS) })
  @Max(BEATS.most, { message: within("perMinute", BEATS) })
  perMinute?: number | undefined;

  @ApiProperty({ required: false, type: [ChosenDto], description: "standby: what goes together with one press" })
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(MOST_CHOSEN)
  @ValidateNested({ each: true })
  @EntriesAre(ChosenDto)
  chosen?: ChosenDto[] | undefined;

  @ApiProperty({ required: false, type: [Number], description: "identify: the lights that flash until others are named, or none" })
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(MOST_LIGHTS)
  @IsInt({ each: true })
  @Min(1, { each: true })
  channels?: number[] | undefined;

  @ApiProperty({ required: false, type: Object, description: "park: values by key, such as 12.pan; null lets the key run again" })
  @IsOptional()
  @IsObject()
  values?: Record<string, number | null> | undefined;
}
