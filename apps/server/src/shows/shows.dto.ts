import { ApiProperty } from "@nestjs/swagger";
import type { EditInput } from "@zm/core";
import { ArrayMaxSize, ArrayNotEmpty, IsArray, IsInt, IsObject, Min } from "class-validator";

/** Edits as a window sends them, with the revision they were thought out on. */
export class EditsDto {
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
  @ArrayMaxSize(1000)
  @IsObject({ each: true, message: "each edit is an object with op" })
  edits: EditInput[];
}
