import { IsPlain } from "../shared/isPlain.ts";
import { ApiProperty } from "@nestjs/swagger";
import type { AcceptRequest } from "@zm/protocol";
import { ArrayMaxSize, ArrayNotEmpty, IsArray, IsString, Matches, MaxLength, ValidateIf } from "class-validator";
import { AuthorDto } from "../shared/author.ts";

/** Findings that are accepted with a note, or shown again. */
export class AcceptDto extends AuthorDto implements AcceptRequest {
  @ApiProperty({ type: [String], description: "Findings by their identities, sixteen hexadecimal digits each" })
  @IsArray()
  @ArrayNotEmpty({ message: "findings names at least one finding" })
  @ArrayMaxSize(5000)
  @Matches(/^[0-9a-f]{16}$/, { each: true, message: "a finding is named by sixteen hexadecimal digits" })
  findings: string[];

  @ApiProperty({
    type: String,
    nullable: true,
    description: "Why they are accepted; null shows them again",
    example: "the designer wants it seen",
  })
  @ValidateIf(({ note }: AcceptDto) => note !== null)
  @IsString({ message: "note says why, or is null" })
  @IsPlain("note")
  @MaxLength(500)
  note: string | null;
}
