import { ApiProperty } from "@nestjs/swagger";
import { type EditInput, MOST_EDITS } from "@zm/core";
import type { EditsRequest, KeepRequest, StepRequest, TitleRequest } from "@zm/protocol";
import {
  ArrayMaxSize,
  ArrayNotEmpty,
  IsArray,
  IsBoolean,
  IsInt,
  IsNotEmpty,
  IsObject,
  IsOptional,
  IsString,
  Length,
  MaxLength,
  Min,
} from "class-validator";
import { AuthorDto } from "../shared/author.ts";

/** Edits as a window sends them, with the revision they were thought out on. */
export class EditsDto extends AuthorDto implements EditsRequest {
  @ApiProperty({ description: "The revision that the window showed", example: 12 })
  @IsInt({ message: "base is the revision that the edit was made on, a whole number" })
  @Min(0)
  base: number;

  @ApiProperty({
    type: "array",
    items: { type: "object" },
    example: [{ op: "change", from: "10", to: "20", keys: { channels: [5], attributes: ["intensity"] }, do: { set: 40 } }],
  })
  @IsArray({ message: "edits is an array of edit operations" })
  @ArrayNotEmpty({ message: "edits holds at least one edit" })
  @ArrayMaxSize(MOST_EDITS)
  @IsObject({ each: true, message: "each edit is an object with op" })
  edits: EditInput[];
}

/** The name of a show: the new one for a renaming, the present one for a removal. */
export class TitleDto extends AuthorDto implements TitleRequest {
  @ApiProperty({ description: "The title of the show" })
  @IsString({ message: "title is the name of the show" })
  @IsNotEmpty({ message: "A show has a name; type one" })
  @MaxLength(200)
  title: string;
}

/** Which step a window means to take back or make again; left out, the newest whatever it is. */
export class StepDto extends AuthorDto implements StepRequest {
  @ApiProperty({ required: false, description: "The id of the step that the window showed as the next" })
  @IsOptional()
  @IsString()
  @MaxLength(64)
  step?: string | undefined;
}

/** A cue to be kept, or kept no more. */
export class KeepDto implements KeepRequest {
  @ApiProperty()
  @IsString()
  @Length(1, 64)
  window: string;

  @ApiProperty()
  @IsString()
  @MaxLength(64)
  list: string;

  @ApiProperty()
  @IsString()
  @MaxLength(12)
  cue: string;

  @ApiProperty()
  @IsBoolean({ message: "keep is true or false" })
  keep: boolean;
}
