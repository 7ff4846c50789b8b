import { ApiProperty } from "@nestjs/swagger";
import { type CallerRequest, MACHINE_FAULT, MOST_MACHINES, type OscSettings, isMachine } from "@zm/protocol";
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsInt,
  IsNumber,
  IsOptional,
  IsString,
  Max,
  MaxLength,
  Min,
  ValidateBy,
  ValidateIf,
} from "class-validator";

import { IsAddress } from "../shared/isAddress.ts";

/** How programs outside reach the show that runs. */
export class OscDto implements OscSettings {
  @ApiProperty()
  @IsBoolean({ message: "on is true or false" })
  on: boolean;

  @ApiProperty({ example: "127.0.0.1:8765" })
  @IsAddress("address", "127.0.0.1:8765")
  address: string;

  @ApiProperty({ type: Number, nullable: true, description: "The show that they speak to; null: the one on stage" })
  @ValidateIf((body: OscDto) => body.show !== null)
  @IsInt({ message: "show is the number of a show, or null" })
  show: number | null;

  @ApiProperty({
    required: false,
    type: [String],
    description: "Other machines that are listened to, by their addresses; left out, as it was",
  })
  @IsOptional()
  @IsArray({ message: "from is a list of addresses" })
  @ArrayMaxSize(MOST_MACHINES)
  @ValidateBy({ name: "isMachine", validator: { validate: isMachine, defaultMessage: () => `from: ${MACHINE_FAULT}` } }, { each: true })
  from?: string[] | undefined;
}

/** Has the play called. */
export class CallerDto implements CallerRequest {
  @ApiProperty({ description: "How many times as fast as it is spoken", example: 20 })
  @IsNumber()
  @Min(1, { message: "speed is 1 to 60" })
  @Max(60, { message: "speed is 1 to 60" })
  speed: number;

  @ApiProperty({ required: false, description: "The first cue that is called; left out, the one behind the cue on stage" })
  @IsOptional()
  @IsString()
  @MaxLength(12)
  from?: string | undefined;
}
