import { ApiProperty } from "@nestjs/swagger";
import { IsOptional, IsString, MaxLength } from "class-validator";

/** Who made a change: the window, and the gesture that it belongs to. What one gesture does is one step of undo. */
export interface Author {
  readonly window: string | null;
  readonly gesture: string | null;
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
}

/** The author that a request names. */
export function authorOf({ window, gesture }: AuthorDto): Author {
  return { window: window ?? null, gesture: gesture ?? null };
}
