import { ApiPropertyOptional } from "@nestjs/swagger";
import type { HandOverRequest } from "@zm/protocol";
import { IsOptional, Matches } from "class-validator";

export class HandOverDto implements HandOverRequest {
  /** The id of the spare that takes the lead; left out: the first that is ready. */
  @ApiPropertyOptional()
  @IsOptional()
  @Matches(/^[0-9a-f]{32}$/, { message: "to is the id of a server, as the list of servers gives it" })
  to?: string;
}
