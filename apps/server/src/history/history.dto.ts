import { ApiProperty } from "@nestjs/swagger";
import { ArrayMaxSize, IsArray, IsOptional, IsString, MaxLength } from "class-validator";
import type { RunningEditsRequest } from "@zm/protocol";
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
}
