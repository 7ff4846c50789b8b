import { ApiProperty } from "@nestjs/swagger";
import type { HandChange } from "@zm/core";
import type { HandRequest } from "@zm/protocol";
import { AuthorDto } from "../shared/author.ts";
import { ArrayMaxSize, ArrayMinSize, IsArray, IsObject } from "class-validator";

/** Changes of what is in hand, in order; each is read by the core, which names what is wrong. */
export class HandChangesDto extends AuthorDto implements HandRequest {
  @ApiProperty({ type: "array", items: { type: "object" }, description: "give, time, drop, restoreDropped or recorded" })
  @IsArray({ message: "changes is an array" })
  @ArrayMinSize(1)
  @ArrayMaxSize(200)
  @IsObject({ each: true, message: "each change is an object" })
  changes: HandChange[];
}
