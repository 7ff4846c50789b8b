import { ApiProperty } from "@nestjs/swagger";
import type { BackupName, BackupSettings } from "@zm/protocol";
import { IsBoolean, IsInt, IsString, Max, MaxLength, Min } from "class-validator";

/** How backups are made by plan. */
export class BackupSettingsDto implements BackupSettings {
  @ApiProperty()
  @IsBoolean({ message: "on is true or false" })
  on: boolean;

  @ApiProperty({ description: "Every how many minutes while edits come", example: 10 })
  @IsInt({ message: "minutes is a whole number from 1 to 1440" })
  @Min(1, { message: "minutes is a whole number from 1 to 1440" })
  @Max(1440, { message: "minutes is a whole number from 1 to 1440" })
  minutes: number;

  @ApiProperty({ description: "The folder, as a whole path; empty: beside the data", example: "/media/stick/backups" })
  @IsString({ message: "folder is a path, or empty" })
  @MaxLength(400, { message: "folder is longer than 400 letters" })
  folder: string;
}

/** Names a backup. */
export class BackupNameDto implements BackupName {
  @ApiProperty({ example: "Salt-and-Paraffin 1" })
  @IsString()
  @MaxLength(200)
  folder: string;

  @ApiProperty({ example: "2026-11-14 20-41-00Z r120.json.gz" })
  @IsString()
  @MaxLength(200)
  file: string;
}
