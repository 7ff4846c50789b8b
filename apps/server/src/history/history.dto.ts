import { ApiProperty } from "@nestjs/swagger";
import { PRESS_TIME } from "@zm/core";
import { ArrayMaxSize, IsArray, IsInt, IsNumber, IsOptional, IsString, Max, MaxLength, Min } from "class-validator";
import type { BackRequest, RunningEditsRequest, VersionRequest } from "@zm/protocol";
import { IsPlain } from "../shared/isPlain.ts";
import { AuthorDto } from "../shared/author.ts";
import { EditsDto } from "../shows/shows.dto.ts";

/** Edits that belong to what is on stage: a record or an update made while the list runs. */
export class RunningEditsDto extends EditsDto implements RunningEditsRequest {
  @ApiProperty({ type: [String], description: "The keys in hand that count as recorded from then on, such as 12.pan" })
  @IsArray()
  @ArrayMaxSize(200_000)
  @IsString({ each: true })
  recorded: string[];

  @ApiProperty({ required: false, description: "The list that runs; the first when left out" })
  @IsOptional()
  @IsString()
  @MaxLength(64)
  list?: string | undefined;

  @ApiProperty({
    required: false,
    nullable: true,
    type: String,
    description: "The cue that the window saw on stage; refused when the list has gone on",
  })
  @IsOptional()
  @IsString()
  @MaxLength(12)
  onStage?: string | null | undefined;

  @ApiProperty({
    required: false,
    nullable: true,
    type: String,
    description: "The cue in which the list stands afterwards; left out, where it stood",
  })
  @IsOptional()
  @IsString()
  @MaxLength(12)
  stands?: string | null | undefined;

  @ApiProperty({ required: false, description: "In how many seconds what is at rest goes to what the cue then says; left out, in one" })
  @IsOptional()
  @IsNumber()
  @Min(PRESS_TIME.least)
  @Max(PRESS_TIME.most)
  settleIn?: number | undefined;
}

/** A name for the state after an edit. */
export class VersionDto extends AuthorDto implements VersionRequest {
  @ApiProperty({ description: "The state after this edit; 0 is how the show began", example: 12 })
  @IsInt({ message: "revision is the number of an edit" })
  @Min(0)
  revision: number;

  @ApiProperty({ description: "Its name; empty to take the name away", example: "after second dress" })
  @IsString({ message: "name is what the state is called" })
  @IsPlain("name")
  @MaxLength(200)
  name: string;
}

/** The state that the show goes back to. */
export class BackDto extends AuthorDto implements BackRequest {
  @ApiProperty({ description: "The state after this edit; 0 is how the show began", example: 12 })
  @IsInt({ message: "revision is the number of an edit" })
  @Min(0)
  revision: number;
}
