import { ApiProperty } from "@nestjs/swagger";
import type { Person } from "@zm/protocol";
import { IsOptional, IsString, Length, MaxLength } from "class-validator";

/** Who made a change: the window, and the gesture that it belongs to. What one gesture does is one step of undo. */
export interface Author {
  readonly window: string | null;
  readonly gesture: string | null;
  /** The name of its own that the request carries: the same one twice is done once. */
  readonly request: string | null;
  /** Who it is, where people have accounts. */
  readonly person: string | null;
}

/** What every changing request may say of its author. */
export class AuthorDto {
  @ApiProperty({
    required: false,
    description: "The window that asks, by a name of its own, so that no window takes back another's step by mistake",
  })
  @IsOptional()
  @IsString()
  @MaxLength(64)
  window?: string | undefined;

  @ApiProperty({ required: false, description: "The gesture that the request belongs to: what one gesture does is one step of undo" })
  @IsOptional()
  @IsString()
  @MaxLength(64)
  gesture?: string | undefined;

  @ApiProperty({ required: false, description: "A name of its own for this request: the same one twice is done once" })
  @IsOptional()
  @IsString()
  @Length(1, 64)
  request?: string | undefined;
}

/** The author that a request names. */
export function authorOf({ window, gesture, request }: AuthorDto, { name }: Pick<Person, "name">): Author {
  return { window: window ?? null, gesture: gesture ?? null, request: request ?? null, person: name };
}
