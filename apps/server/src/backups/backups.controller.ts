import {
  Body,
  Controller,
  Get,
  Header,
  HttpCode,
  InternalServerErrorException,
  Param,
  ParseIntPipe,
  Post,
  Put,
  Query,
  StreamableFile,
} from "@nestjs/common";
import { ApiOperation, ApiTags } from "@nestjs/swagger";
import type { BackupEntry, BackupsState, ImportReply } from "@zm/protocol";
import { TakesItsTime } from "../shared/timeLimit.ts";
import { BackupNameDto, BackupSettingsDto } from "./backups.dto.ts";
import { BackupsService } from "./backups.service.ts";
import { Needs } from "../people/person.ts";

@ApiTags("backups")
@Controller("api")
export class BackupsController {
  constructor(private readonly backups: BackupsService) {}

  @Get("backups")
  @Needs("see")
  @ApiOperation({ summary: "How backups are made, and all that there are" })
  state(): Promise<BackupsState> {
    return this.backups.state();
  }

  @Put("backups")
  @Needs("edit")
  @ApiOperation({ summary: "Say how often backups are made, and where" })
  set(@Body() { on, minutes, folder }: BackupSettingsDto): Promise<BackupsState> {
    return this.backups.set({ on, minutes, folder: folder.trim() });
  }

  @Post("shows/:id/backups")
  @Needs("edit")
  @HttpCode(200)
  @TakesItsTime()
  @ApiOperation({ summary: "Make a backup of a show now; it is read back and compared before this answers" })
  make(@Param("id", ParseIntPipe) id: number): Promise<BackupEntry> {
    return inWords(this.backups.make(id, true));
  }

  @Get("backups/document")
  @Needs("see")
  @Header("Cache-Control", "no-store")
  @ApiOperation({ summary: "The document in a backup" })
  async document(@Query() name: BackupNameDto): Promise<StreamableFile> {
    return new StreamableFile(await this.backups.document(name), { type: "application/json" });
  }

  @Post("backups/restore")
  @Needs("edit")
  @HttpCode(200)
  @TakesItsTime()
  @ApiOperation({ summary: "Bring a backup back as a new show" })
  async restore(@Body() name: BackupNameDto): Promise<ImportReply> {
    return { id: await inWords(this.backups.restore(name)) };
  }
}

/** What goes wrong with a disk is told to whoever asked, in words. */
async function inWords<T>(work: Promise<T>): Promise<T> {
  try {
    return await work;
  } catch (error) {
    if (error instanceof Error && error.constructor === Error) throw new InternalServerErrorException(error.message, { cause: error });
    throw error;
  }
}
